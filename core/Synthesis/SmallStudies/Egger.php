<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\SmallStudies;

/** Egger's test: the intercept is the bias, the coefficient of the standard error. All null where it is undefined. */
final readonly class Egger
{
    /** @param  ?float  $p  two-sided */
    public function __construct(
        public ?float $intercept = null,
        public ?float $se = null,
        public ?float $t = null,
        public ?int $df = null,
        public ?float $p = null,
        public ?float $slope = null,
    ) {
    }
}
