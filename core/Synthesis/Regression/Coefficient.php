<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Regression;

use WaryHeron\Core\Synthesis\Distribution\Interval;

/** A coefficient of a regression with its 95% interval and two-sided test; t and p are null without an error. */
final readonly class Coefficient
{
    public function __construct(
        public string $name,
        public float $estimate,
        public float $se,
        public ?float $t,
        public ?float $p,
        public Interval $interval,
    ) {
    }
}
