<?php

declare(strict_types=1);

namespace App\Queries\Matching;

/** Publications that would be joined without asking. */
final readonly class CertainGroup
{
    /**
     * @param  list<string>  $publications
     * @param  list<string>  $records  of them
     * @param  float  $score  bits of the weakest bond that holds them
     */
    public function __construct(public array $publications, public array $records, public float $score)
    {
    }
}
