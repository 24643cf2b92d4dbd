<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

/** How many records a question finds, and the first of them. */
final readonly class FoundCandidates
{
    /** @param  list<Candidate>  $first */
    public function __construct(
        public int $count,
        public array $first,
    ) {
    }
}
