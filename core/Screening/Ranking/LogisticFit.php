<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/** What a logistic regression learned: log-odds are the constant and the weighted sum. */
final readonly class LogisticFit
{
    /** @param  array<int, float>  $weights  by place; those of 0 are missing */
    public function __construct(public array $weights, public float $constant)
    {
    }
}
