<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

/** What was drawn before a study was told: what it is about in truth, however it is worded. */
final readonly class StudyFacts
{
    /** @param  list<string>  $outcomes  the first is the one that surveys, cohorts and reviews report */
    public function __construct(
        public string $topic,
        public string $design,
        public string $people,
        public string $does,
        public array $outcomes,
    ) {
    }
}
