<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Offers;

/** A candidate that is worth offering. */
final readonly class LostOffer
{
    /**
     * @param  int  $own  records that have it
     * @param  int  $shared  those of them in the concept already
     * @param  float  $weight  how much it keeps company with the concept, beyond chance
     */
    public function __construct(
        public Candidate $candidate,
        public int $own,
        public int $shared,
        public float $weight,
    ) {
    }

    /** Whether it goes before another (below zero), or after it. */
    public function against(self $other): int
    {
        return $this->candidate->ground->value <=> $other->candidate->ground->value
            ?: $other->candidate->nearness <=> $this->candidate->nearness
            ?: $other->weight <=> $this->weight;
    }
}
