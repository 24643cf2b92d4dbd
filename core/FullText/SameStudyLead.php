<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

/** Two reports that may tell of one study. */
final readonly class SameStudyLead
{
    /**
     * @param  'firm'|'fair'|'check'  $confidence
     * @param  list<string>  $because  sentences
     */
    public function __construct(
        public string $one,
        public string $other,
        public string $confidence,
        public array $because,
    ) {
    }
}
