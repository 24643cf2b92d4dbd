<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\QuotedPassage;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Answer\DirectionReader;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\SentencePart;

/**
 * The sentence that somebody else points to as the answer to a question. It has to be in the text, its direction is read
 * here, and it is never firm by another's word.
 */
final readonly class ToldAnswer
{
    private function __construct(
        public string $sentence,
        public int $page,
        public ?Direction $direction,
        public Confidence $confidence,
    ) {
    }

    /** @return ?self null where the text does not say it */
    public static function of(PlainQuestion $question, Passages $text, string $quote): ?self
    {
        $passage = QuotedPassage::in($text, $quote);
        if ($passage === null) {
            return null;
        }
        $direction = $question->kind->hasDirection()
            ? (new DirectionReader($question))->read(
                new RecordSentence($passage->text, SentencePart::Untold, 0.5),
            ) ?? Direction::Unclear
            : null;

        return new self(
            $passage->text,
            $passage->page,
            $direction,
            $direction === Direction::Unclear ? Confidence::Check : Confidence::Fair,
        );
    }
}
