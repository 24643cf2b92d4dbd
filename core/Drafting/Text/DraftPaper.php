<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting\Text;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Reading\StudyKind;

/** A paper that meets the criteria, as a drafted text speaks of it. */
final readonly class DraftPaper
{
    /**
     * @param  string  $called  "Haldor 2020"
     * @param  string  $sentence  that answers the question, as it stands there; empty where none does
     * @param  ?int  $page  of the full text; null: in the abstract
     * @param  string  $amount  by how much, in the authors' words
     */
    public function __construct(
        public string $id,
        public string $called,
        public StudyKind $kind,
        public string $sentence,
        public ?int $page,
        public ?Direction $direction,
        public Confidence $confidence,
        public string $amount = '',
        public string $people = '',
    ) {
    }
}
