<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/**
 * Agreement of any number of raters, nominal, ratings may be missing. Sources: Krippendorff 2004; Hayes and Krippendorff
 * 2007.
 */
final readonly class KrippendorffAlpha
{
    private function __construct(
        public int $units,
        public int $pairable,
        public ?float $observed = null,
        public ?float $expected = null,
        public ?float $alpha = null,
    ) {
    }

    /** @param  list<list<int>>  $counts  how often each category was given to each item with two ratings or more */
    public static function of(array $counts): self
    {
        $n = array_sum(array_map(array_sum(...), $counts));
        if ($n === 0) {
            return new self(count($counts), $n);
        }
        $observed = self::observed($counts) / $n;
        $same = 0.0;
        foreach (array_keys($counts[0]) as $k) {
            $total = array_sum(array_column($counts, $k));
            $same += $total * ($total - 1.0);
        }
        $expected = 1 - $same / ($n * ($n - 1.0));
        $alpha = abs($expected) < 1e-15 ? null : 1 - $observed / $expected;

        return new self(count($counts), $n, $observed, $expected, $alpha);
    }

    /** @param  list<list<int>>  $counts */
    private static function observed(array $counts): float
    {
        $differing = 0.0;
        foreach ($counts as $row) {
            $m = array_sum($row);
            $differing += ($m * $m - array_sum(array_map(fn (int $c): int => $c * $c, $row))) / ($m - 1);
        }

        return $differing;
    }

    /** Share of agreement. */
    public function agreement(): ?float
    {
        return $this->observed === null ? null : 1 - $this->observed;
    }

    /** @return array<string, int|float|null> */
    public function toArray(): array
    {
        return [
            'units' => $this->units,
            'pairable' => $this->pairable,
            'd_observed' => $this->observed,
            'd_expected' => $this->expected,
            'alpha' => $this->alpha,
        ];
    }
}
