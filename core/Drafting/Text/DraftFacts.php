<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

use WaryHeron\Core\Scouting\Asked\PlainQuestion;

/** All that a drafted text says, counted. */
final readonly class DraftFacts
{
    /**
     * @param  array<string, int>  $found  records that each source has for the question, by its name
     * @param  string  $day  when they were asked
     * @param  int  $read  papers read by title and abstract
     * @param  int  $inFull  of those that meet the criteria, how many in full text
     * @param  list<CriterionTold>  $criteria  in use
     * @param  list<string>  $items  labels of what was asked of the papers
     * @param  int  $changed  criteria, papers and items that people changed
     * @param  list<DraftPaper>  $papers  that meet the criteria, the likeliest first
     */
    public function __construct(
        public PlainQuestion $question,
        public array $found,
        public string $day,
        public int $read,
        public int $inFull,
        public array $criteria,
        public array $items,
        public int $changed,
        public array $papers,
    ) {
    }
}
