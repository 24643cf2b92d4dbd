<?php

declare(strict_types=1);

namespace App\Actions\Question;

use WaryHeron\Core\Question\ConceptFrame;

/** A question as somebody words it. */
final readonly class QuestionWording
{
    /**
     * @param  array<string, string>  $texts  by the key of the part; what is left out stays as it was
     * @param  list<OwnConcept>  $own  the team's own concepts, all of them
     */
    public function __construct(
        public string $title,
        public string $question,
        public array $texts = [],
        public ConceptFrame $frame = ConceptFrame::Pico,
        public array $own = [],
        public Provenance $provenance = new Provenance(),
    ) {
    }
}
