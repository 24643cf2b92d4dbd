<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

/** A stretch of time after the beginning that a review has a name for, such as "under 3 months". */
final readonly class TimeWindow
{
    /** Days of each; a month is a twelfth of 365 days. */
    private const DAYS = ['day' => 1.0, 'week' => 7.0, 'month' => 365 / 12, 'year' => 365.0];

    private const LENGTH = '(\d+(?:\.\d+)?)\s*(days?|weeks?|months?|years?)?';

    /**
     * @param  ?int  $from  days, at least; null for no bound
     * @param  ?int  $to  days, at most
     */
    public function __construct(public string $name, public ?int $from, public ?int $to)
    {
    }

    /**
     * As people write it: "short; 0 to 4 weeks", "long; from 1 year", "under 3 months; to 3 months", "at the end".
     *
     * @return ?self null where it cannot be read, or ends before it begins
     */
    public static function told(string $line): ?self
    {
        [$name, $span] = [...array_map(trim(...), explode(';', $line, 2)), ''];
        $length = self::LENGTH;
        $isBoth = preg_match("/^(?:from\s+)?{$length}\s*(?:to|–|-|\.\.)\s*{$length}$/iu", $span, $both) === 1;
        [$from, $to] = match (true) {
            $isBoth => [self::days($both[1], $both[2] ?: $both[4] ?? ''), self::days($both[3], $both[4] ?? '')],
            preg_match("/^(?:from|after|over)\s+{$length}$/iu", $span, $one) === 1 => [self::days($one[1], $one[2] ?? ''), null],
            preg_match("/^(?:up )?(?:to|until|under|within)\s+{$length}$/iu", $span, $one) === 1 => [null, self::days($one[1], $one[2] ?? '')],
            default => [null, null],
        };
        $isSpan = $from !== null || $to !== null;

        return $name === '' || ! $isSpan || ($from !== null && $to !== null && $from > $to)
            ? null
            : new self(mb_substr($name, 0, 120), $from, $to);
    }

    /** Days, as told() reads them again. */
    public function span(): string
    {
        return match (true) {
            $this->from === null => "to {$this->to} days",
            $this->to === null => "from {$this->from} days",
            default => "{$this->from} to {$this->to} days",
        };
    }

    private static function days(string $number, string $unit): int
    {
        return (int) round((float) $number * (self::DAYS[rtrim(mb_strtolower($unit), 's')] ?? 1.0));
    }
}
