<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use Carbon\CarbonImmutable;

/** How far one screener is, and how fast. */
final readonly class PersonProgress
{
    /**
     * @param  list<int>  $days  decisions on each of the last days, the latest last
     * @param  float  $pace  decisions a day
     * @param  ?CarbonImmutable  $end  when it will be done at this pace; null where it is, or never will be
     */
    private function __construct(
        public string $name,
        public int $done,
        public int $left,
        public int $today,
        public array $days,
        public float $pace,
        public ?CarbonImmutable $end,
    ) {
    }

    /** @param  non-empty-list<int>  $days */
    public static function of(string $name, ScreenerCounts $counts, array $days): self
    {
        $pace = self::pace($days);
        $isEndless = $counts->left === 0 || $pace <= 0.0;

        return new self(
            $name,
            $counts->done,
            $counts->left,
            $days[count($days) - 1],
            $days,
            $pace,
            $isEndless ? null : CarbonImmutable::today()->addDays((int) ceil($counts->left / $pace)),
        );
    }

    /**
     * Decisions a day since the first of these days on which there was any: who began this morning was not slow last
     * week.
     *
     * @param  list<int>  $days
     */
    private static function pace(array $days): float
    {
        $first = array_key_first(array_filter($days));

        return $first === null ? 0.0 : (float) (array_sum($days) / (count($days) - $first));
    }
}
