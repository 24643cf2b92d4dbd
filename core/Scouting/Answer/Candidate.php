<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

use WaryHeron\Core\Scouting\Reading\ConceptMatches;
use WaryHeron\Core\Scouting\Reading\RecordSentence;

/** A sentence that may answer, with how much speaks for it. */
final readonly class Candidate
{
    public function __construct(
        public RecordSentence $sentence,
        public ConceptMatches $matches,
        public float $score,
    ) {
    }
}
