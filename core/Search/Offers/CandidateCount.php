<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Offers;

/** How often a candidate stands in the records of a source. */
final readonly class CandidateCount
{
    /**
     * @param  int  $own  records with it
     * @param  int  $shared  those of them in the concept already
     * @param  float  $setting  share of the other concepts' records that have it
     */
    public function __construct(public int $own = 0, public int $shared = 0, public float $setting = 0.0)
    {
    }
}
