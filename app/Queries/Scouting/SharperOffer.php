<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use WaryHeron\Core\Scouting\Sharper\Suggestion;

/** A question asked more sharply, and how many records of each source it would find, as far as they answer. */
final readonly class SharperOffer
{
    /** @param  array<string, int>  $counts */
    public function __construct(
        public Suggestion $suggestion,
        public array $counts,
    ) {
    }
}
