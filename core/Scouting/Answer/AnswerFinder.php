<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Asked\QuestionKind;
use WaryHeron\Core\Scouting\Reading\ConceptMatches;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\SentencePart;
use WaryHeron\Core\Scouting\Reading\Signs;

/** Orders the sentences of a record by how well they answer a question. */
final readonly class AnswerFinder
{
    /** What was not found answers nothing; but where nothing else does, it shows what the record is about. */
    private const NO_FINDING = 1.2;

    private const ON_TOPIC = 0.3;

    private const OFF_TOPIC = -1.5;

    /** One figure for one group says nothing of an effect. */
    private const NO_COMPARISON = 0.8;

    public function __construct(private PlainQuestion $question)
    {
    }

    /** @return list<Candidate> best first */
    public function candidates(ReadRecord $record): array
    {
        $candidates = [];
        $before = null;
        foreach ($record->sentences as $sentence) {
            $matches = ConceptMatches::of($this->question, $sentence);
            $topic = $this->topic($matches, $before, $sentence);
            // how it says it matters only where it says something of what is asked
            $manner = $topic < self::ON_TOPIC ? self::OFF_TOPIC : $this->manner($sentence);
            $candidates[] = new Candidate($sentence, $matches, $topic + $manner);
            $before = $matches;
        }
        usort($candidates, fn (Candidate $a, Candidate $b): int => $b->score <=> $a->score);

        return $candidates;
    }

    /** What it speaks of; a sentence before may have named what is done. */
    private function topic(ConceptMatches $now, ?ConceptMatches $before, RecordSentence $sentence): float
    {
        $outcome = $now->share(ConceptRole::Outcome);
        if (! $this->question->has(ConceptRole::Exposure)) {
            return 3.0 * $outcome +
                0.3 * $now->share(ConceptRole::Population) +
                0.2 * $now->share(ConceptRole::Setting) +
                ($outcome < 0.5 ? 0.8 * ($before?->share(ConceptRole::Outcome) ?? 0.0) : 0.0);
        }
        $exposure = max($now->share(ConceptRole::Exposure), $now->share(ConceptRole::Comparator));
        if ($exposure < 0.5 && $sentence->has(Signs::GROUPS)) {
            $exposure = max($exposure, 0.5);
        }

        return 1.8 * min($exposure, $outcome) + 1.4 * $outcome + 0.6 * $exposure +
            0.2 * $now->share(ConceptRole::Population) +
            0.3 * ($before?->share(ConceptRole::Exposure) ?? 0.0) +
                ($outcome < 0.5 ? 0.5 * ($before?->share(ConceptRole::Outcome) ?? 0.0) : 0.0);
    }

    private function manner(RecordSentence $sentence): float
    {
        $part = match ($sentence->part) {
            SentencePart::Result => 0.7,
            SentencePart::Conclusion => 0.0,
            SentencePart::Background => -1.0,
            SentencePart::Aim => -1.6,
            SentencePart::Method => -0.8,
            SentencePart::Untold => $sentence->place < 0.2 ? -0.6 : 0.1,
        };
        $score = $part - ($sentence->has(Signs::ASIDE) ? 1.0 : 0.0) - ($sentence->has(Signs::SHOULD) ? 1.0 : 0.0) -
            ($sentence->has(Signs::OTHERS) ? 0.8 : 0.0) -
            ($sentence->has(Signs::NOT_LOOKED_FOR) ? 0.8 : 0.0) - (str_ends_with($sentence->text, '?') ? 1.0 : 0.0);
        $kind = $this->question->kind;
        if ($kind !== QuestionKind::Instrument && ! $sentence->isFinding()) {
            $score -= self::NO_FINDING;
        }
        if ($kind->hasDirection() && ! $sentence->isComparison()) {
            $score -= self::NO_COMPARISON;
        }

        return $score + self::figures($sentence, $kind);
    }

    /** What stands in it of what such a question is answered by. */
    private static function figures(RecordSentence $sentence, QuestionKind $kind): float
    {
        return match ($kind) {
            QuestionKind::Instrument => ($sentence->has(Signs::INSTRUMENT) ? 1.0 : 0.0) +
                ($sentence->has(Signs::NAMED) ? 0.8 : 0.0),
            QuestionKind::Prevalence => ($sentence->has(Signs::SHARE) ? 1.4 : 0.0) +
                ($sentence->has(Signs::FIGURE) ? 0.4 : 0.0),
            default => ($sentence->has(Signs::FIGURE) ? 0.9 : 0.0) +
                ($sentence->has(Signs::STATISTIC) ? 0.7 : 0.0) +
                ($sentence->has(Signs::COMPARED) ? 0.8 : 0.0),
        };
    }
}
