<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

use WaryHeron\Core\Synthesis\Report\Numbers;

/** A scale on which studies measured an outcome: its ends, and whether more on it is less of what the outcome names. */
final readonly class OutcomeScale
{
    public function __construct(
        public string $name,
        public ?float $low = null,
        public ?float $high = null,
        public bool $reversed = false,
    ) {
    }

    /**
     * As people write it: "visual analogue scale; 0 to 100", "faces; 1–7; reversed".
     *
     * @return ?self null where it cannot be read, or ends before it begins
     */
    public static function told(string $line): ?self
    {
        $parts = array_map(trim(...), explode(';', $line));
        $scale = new self(mb_substr(array_shift($parts), 0, 120));
        foreach ($parts as $part) {
            $scale = match (true) {
                $part === '' => $scale,
                $part === 'reversed' => new self($scale->name, $scale->low, $scale->high, true),
                default => $scale->from($part),
            };
            if ($scale === null) {
                return null;
            }
        }

        return $scale->name === '' ? null : $scale;
    }

    /** @return array<string, string|float|bool|null> as it is kept */
    public function toArray(): array
    {
        return ['name' => $this->name, 'low' => $this->low, 'high' => $this->high, 'reversed' => $this->reversed];
    }

    private function from(string $ends): ?self
    {
        if (preg_match('/^(\S+)\s*(?:to|–|\.\.)\s*(\S+)$/u', $ends, $found) !== 1) {
            return null;
        }
        [$low, $high] = [Numbers::read($found[1]), Numbers::read($found[2])];

        return $low === null || $high === null || $low >= $high
            ? null
            : new self($this->name, $low, $high, $this->reversed);
    }
}
