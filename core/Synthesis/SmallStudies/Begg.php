<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\SmallStudies;

/** Begg's test by rank correlation: Kendall's S with its variance, and τ b. All but k null where it is undefined. */
final readonly class Begg
{
    /** @param  ?float  $p  two-sided */
    public function __construct(
        public int $k,
        public ?int $s = null,
        public ?float $tauB = null,
        public ?float $variance = null,
        public ?float $z = null,
        public ?float $p = null,
    ) {
    }

    /** @return array<string, int|float|null> */
    public function toArray(): array
    {
        return [
            'k' => $this->k,
            'S' => $this->s,
            'tau_b' => $this->tauB,
            'var_S' => $this->variance,
            'z' => $this->z,
            'p' => $this->p,
        ];
    }
}
