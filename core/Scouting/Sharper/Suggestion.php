<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Sharper;

use WaryHeron\Core\Scouting\Asked\ConceptRole;

/** How a question could be asked more sharply. */
final readonly class Suggestion
{
    /**
     * @param  ConceptRole  $role  what it says more of
     * @param  string  $words  as the papers write it
     * @param  string  $question  the question so asked
     * @param  int  $papers  of those read that name it
     */
    public function __construct(
        public ConceptRole $role,
        public string $words,
        public string $question,
        public int $papers,
    ) {
    }
}
