<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/**
 * What the database counts; everything else in the flow follows from it. All are numbers of records or publications.
 */
final readonly class FlowFacts
{
    /**
     * @param  array<string, int>  $excludedByReason  exclusions after title and abstract, by the failed criterion
     * @param  int  $joinedByPeople  duplicates that a person ruled to be such; the machine found the others
     * @param  int  $removed  of the publications, those that people took out for another reason than being a duplicate
     * @param  array<string, int>  $recordsBySource  records delivered by kind of source: database, register or other
     * @param  ?FullTexts  $fullTexts  null where nothing is read in full
     */
    public function __construct(
        public int $recordsDelivered,
        public int $publications,
        public int $waiting,
        public int $disagreements,
        public int $included,
        public int $excluded,
        public int $coded,
        public array $excludedByReason = [],
        public int $joinedByPeople = 0,
        public int $removed = 0,
        public array $recordsBySource = [],
        public ?FullTexts $fullTexts = null,
    ) {
    }
}
