<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** What the database counts of reports read in full; all are numbers of reports. */
final readonly class FullTexts
{
    /** @param  array<string, int>  $excludedByReason */
    public function __construct(
        public int $sought,
        public int $waiting,
        public int $disagreements,
        public int $included,
        public int $excluded,
        public array $excludedByReason = [],
    ) {
    }

    public function pending(): int
    {
        return $this->waiting + $this->disagreements;
    }
}
