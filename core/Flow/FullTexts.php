<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/**
 * What the database counts of the texts sought after title and abstract; all are numbers of reports, but for the
 * studies.
 */
final readonly class FullTexts
{
    /**
     * @param  int  $sought  all whose text is or was sought
     * @param  array<string, int>  $notRetrieved  those that were given up, by the reason told
     * @param  int  $awaited  whose text is not at hand yet
     * @param  array<string, int>  $excludedByReason
     * @param  int  $studies  that the included reports tell of
     */
    public function __construct(
        public int $sought,
        public int $waiting,
        public int $disagreements,
        public int $included,
        public int $excluded,
        public array $excludedByReason = [],
        public int $awaited = 0,
        public array $notRetrieved = [],
        public ?int $studies = null,
    ) {
    }

    public function pending(): int
    {
        return $this->waiting + $this->disagreements + $this->awaited;
    }

    public function notRetrieved(): int
    {
        return array_sum($this->notRetrieved);
    }

    /** Reports with a final decision in full text. */
    public function assessed(): int
    {
        return $this->included + $this->excluded;
    }

    /** Studies are never more than the reports that tell of them. */
    public function studies(): int
    {
        return $this->studies ?? $this->included;
    }
}
