<?php

declare(strict_types=1);

namespace App\Queries\Matching;

/** What would become of pairs under settings. */
final readonly class PairCounts
{
    /** @param  float  $wrong  of those joined without asking, by the weights' own reckoning */
    public function __construct(public int $alone, public int $people, public int $apart, public float $wrong)
    {
    }
}
