<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

/** A study that can be pooled: its estimate on the scale of the analysis, and the variance of that. */
final readonly class Study
{
    /**
     * @param  string  $name  unlike all others of the analysis
     * @param  float  $variance  above zero
     */
    public function __construct(
        public string $name,
        public float $estimate,
        public float $variance,
        public ?float $year = null,
        public string $group = '',
    ) {
    }
}
