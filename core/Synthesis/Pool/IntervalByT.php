<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

/** Standard error, interval and test of a pooled estimate by Student's t; all null where they are undefined. */
final readonly class IntervalByT
{
    /** @param  ?float  $p  two-sided */
    public function __construct(
        public ?float $se = null,
        public ?int $df = null,
        public ?float $low = null,
        public ?float $high = null,
        public ?float $t = null,
        public ?float $p = null,
    ) {
    }

    /** @return array<string, int|float|null> */
    public function toArray(): array
    {
        return [
            'se' => $this->se,
            'df' => $this->df,
            'ci_low' => $this->low,
            'ci_high' => $this->high,
            't' => $this->t,
            'p' => $this->p,
        ];
    }
}
