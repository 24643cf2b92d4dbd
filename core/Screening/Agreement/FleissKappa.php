<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/** Agreement of several raters who all rated the same items. Source: Fleiss 1971. */
final readonly class FleissKappa
{
    private function __construct(
        public int $items,
        public int $raters,
        public ?float $observed = null,
        public ?float $expected = null,
        public ?float $kappa = null,
    ) {
    }

    /** @param  list<list<int>>  $counts  how often each category was given to each item that all rated */
    public static function of(array $counts, int $raters): self
    {
        if ($counts === [] || $raters < 2) {
            return new self(count($counts), $raters);
        }
        $agreement = array_map(
            fn (array $row): float => (array_sum(array_map(fn (int $n): int => $n * $n, $row)) - $raters) /
                ($raters * ($raters - 1)),
            $counts,
        );
        $observed = array_sum($agreement) / count($agreement);
        $expected = array_sum(array_map(fn (float $p): float => $p * $p, Ratings::shares($counts)));
        $kappa = 1 - $expected < 1e-15 ? null : ($observed - $expected) / (1 - $expected);

        return new self(count($counts), $raters, $observed, $expected, $kappa);
    }

    /** @return array<string, int|float|null> */
    public function toArray(): array
    {
        return [
            'n' => $this->items,
            'raters' => $this->raters,
            'p_observed' => $this->observed,
            'p_expected' => $this->expected,
            'kappa' => $this->kappa,
        ];
    }
}
