<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\Coding\Lead\Traps;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WaryHeron\Core\Scouting\Answer\AnswerFinder;
use WaryHeron\Core\Scouting\Answer\AnswerReader;
use WaryHeron\Core\Scouting\Answer\Candidate;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\SentencePart;

/** The sentence of a full text that answers a question, for papers whose abstract does not, and the page it stands on. */
final readonly class TextAnswer
{
    /** So much of what is done and of the outcome has to be in the sentence itself. */
    private const HELD = 0.7;

    private function __construct(
        public string $sentence,
        public int $page,
        public ?Direction $direction,
        public Confidence $confidence,
    ) {
    }

    /** @return ?self null where no sentence tells a finding on what is asked */
    public static function in(Passages $paper, PlainQuestion $question): ?self
    {
        $passages = array_values(array_filter($paper->told(), self::isOwn(...)));
        $last = max(1, count($passages) - 1);
        $sentences = $pages = [];
        foreach ($passages as $i => $passage) {
            $sentences[] = new RecordSentence($passage->text, self::part($passage->section), $i / $last);
            $pages[$passage->text] ??= $passage->page;
        }
        $record = ReadRecord::ofSentences('', $paper->title()->text ?? '', $sentences);
        $candidates = array_values(array_filter(
            (new AnswerFinder($question))->candidates($record),
            fn (Candidate $one): bool => self::answers($question, $one),
        ));
        if ($candidates === []) {
            return null;
        }
        $answer = (new AnswerReader($question))->read($candidates);
        $isTold = $answer->direction !== Direction::Unclear && $answer->agreeing >= 0;
        $sentence = $answer->candidate->sentence->text;

        return new self(
            $sentence,
            $pages[$sentence] ?? 1,
            $answer->direction,
            // a long text says many things; one sentence of it is never firm
            $isTold ? Confidence::Fair : Confidence::Check,
        );
    }

    /** Of the authors' own study, in running text. */
    private static function isOwn(Passage $passage): bool
    {
        $isFound = in_array($passage->section, [
            SectionKind::Abstract,
            SectionKind::Results,
            SectionKind::Discussion,
            SectionKind::Other,
            // a text without headings is all of one section
            SectionKind::Title,
        ], true);

        return $isFound && ! $passage->isRow() && ! Traps::isCited($passage);
    }

    private static function part(SectionKind $section): SentencePart
    {
        return match ($section) {
            SectionKind::Results, SectionKind::Abstract => SentencePart::Result,
            SectionKind::Discussion => SentencePart::Conclusion,
            default => SentencePart::Untold,
        };
    }

    private static function answers(PlainQuestion $question, Candidate $one): bool
    {
        $isDirected = $question->kind->hasDirection();
        $about = $question->has(ConceptRole::Exposure)
            ? max($one->matches->share(ConceptRole::Exposure), $one->matches->share(ConceptRole::Comparator))
            : 1.0;

        return $one->matches->share(ConceptRole::Outcome) >= self::HELD &&
            $about >= self::HELD / 2 &&
            $one->sentence->isFinding() &&
            (! $isDirected || $one->sentence->isComparison());
    }
}
