<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Answer\Answer;
use WaryHeron\Core\Scouting\Answer\AnswerFinder;
use WaryHeron\Core\Scouting\Answer\AnswerReader;
use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Asked\QuestionKind;
use WaryHeron\Core\Scouting\Asked\QuestionReader;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Kin\FoundKin;
use WaryHeron\Core\Scouting\Named\ConceptNames;
use WaryHeron\Core\Scouting\Named\NamedThing;
use WaryHeron\Core\Scouting\Named\NameKind;
use WaryHeron\Core\Scouting\Named\ProperNames;
use WaryHeron\Core\Scouting\Reading\Evidence;
use WaryHeron\Core\Scouting\Reading\Rarity;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\Signs;

/** Ranks records by how well they answer a plain question, each with its sentence, its direction and why. */
final readonly class Scout
{
    /** Below this a record is not said to answer. */
    private const ANSWERS = 0.3;

    private const LIKELY = 0.6;

    private const NEAR = 0.5;

    private const NAMED = 0.35;

    /** Of three signs of a protocol two. */
    private const PROTOCOL = 0.66;

    public function __construct(private Families $families = new Families())
    {
    }

    public function question(string $text): PlainQuestion
    {
        return (new QuestionReader($this->families))->read($text);
    }

    /**
     * @param  iterable<ReadRecord>  $records
     * @return list<Finding> best first; records alike in their order by identifier
     */
    public function findings(PlainQuestion $question, iterable $records): array
    {
        $records = array_values([...$records]);
        $question = Rarity::weighed(FoundKin::in($question, $records), $records);
        $weighed = array_map(fn (ReadRecord $record): Weighed => Weighed::of($question, $record), $records);
        $findings = array_map(
            fn (Weighed $one): Finding => $this->finding($question, $one),
            Weighed::withRemarks($weighed, self::LIKELY),
        );
        usort($findings, fn (Finding $a, Finding $b): int => [$b->score, $a->id] <=> [$a->score, $b->id]);

        return $findings;
    }

    /**
     * @param  list<ReadRecord>  $records
     * @return list<NamedThing> those in most papers first
     */
    public function named(PlainQuestion $question, array $records, NameKind $kind): array
    {
        $records = $this->near($question, $records);

        return $kind->nouns() === ''
            ? ConceptNames::in($question, $records, $kind)
            : ProperNames::in($records, $kind);
    }

    /**
     * Those that speak of what is asked: names in others are names of something else.
     *
     * @param  list<ReadRecord>  $records
     * @return list<ReadRecord>
     */
    private function near(PlainQuestion $question, array $records): array
    {
        $finder = new AnswerFinder($question);

        return array_values(array_filter(
            $records,
            function (ReadRecord $record) use ($finder, $question): bool {
                $parts = Evidence::of($question, $record, $finder->candidates($record))->parts;

                $isOthers = $parts['others'] > 0.0 && $parts['denied'] >= self::NEAR;

                return ! $isOthers && ($parts['directness'] >= self::NEAR || $parts['both'] >= self::NEAR);
            },
        ));
    }

    private function finding(PlainQuestion $question, Weighed $weighed): Finding
    {
        [$record, $evidence, $score] = [$weighed->record, $weighed->evidence, $weighed->score];
        $candidates = $weighed->candidates;
        if ($candidates === []) {
            return new Finding($record->id, 0.0, '', null, Confidence::Check, 'no abstract to read');
        }
        $answer = (new AnswerReader($question))->read($candidates);
        $reason = Reasons::of($question, $evidence, $answer);
        $isAnswer = self::isAnswer($question, $weighed, $answer);
        if ($score < self::ANSWERS || ! $isAnswer) {
            return new Finding(
                $record->id,
                $score,
                '',
                null,
                Confidence::Check,
                trim("no answer reported; {$reason}", '; '),
            );
        }

        return new Finding(
            $record->id,
            $score,
            $answer->candidate->sentence->text,
            $answer->direction,
            $this->confidence($question, $evidence, $answer, $score),
            $reason,
        );
    }

    /** Whether the best sentence tells a finding, not a plan. */
    private static function isAnswer(PlainQuestion $question, Weighed $weighed, Answer $answer): bool
    {
        if ($question->kind === QuestionKind::Instrument) {
            return true;
        }

        $sentence = $answer->candidate->sentence;
        $isCompared = ! $question->kind->hasDirection() ||
            ($sentence->isComparison() && ($weighed->isRemark || self::isNamed($answer)));

        return $sentence->isFinding() && $isCompared && $weighed->evidence->parts['protocol'] < self::PROTOCOL;
    }

    /** Whether the sentence itself names something of the question, or groups: "It was associated with age" does not. */
    private static function isNamed(Answer $answer): bool
    {
        $matches = $answer->candidate->matches;
        $roles = [ConceptRole::Outcome, ConceptRole::Exposure, ConceptRole::Comparator];

        return $answer->candidate->sentence->has(Signs::GROUPS) ||
            max(array_map($matches->share(...), $roles)) >= self::NAMED;
    }

    /** Firm only where the record most likely answers and nothing in it speaks against what was read. */
    private function confidence(PlainQuestion $question, Evidence $evidence, Answer $answer, float $score): Confidence
    {
        $parts = $evidence->parts;
        // it may tell of the outcome in other words, or of another one
        $isOnOutcome = $answer->candidate->matches->share(ConceptRole::Outcome) >= self::NAMED;
        if ($question->kind->hasDirection() && ! $isOnOutcome) {
            return Confidence::Check;
        }
        $isDirect = $parts['directness'] >= 0.7 &&
            $parts['denied'] < 0.5 &&
            $parts['protocol'] < 0.6 &&
            $parts['others'] === 0.0;
        if ($score < self::LIKELY || ! $isDirect) {
            return $score < self::LIKELY || ! $question->kind->hasDirection() ? Confidence::Check : Confidence::Fair;
        }
        if (! $question->kind->hasDirection()) {
            return $parts['sample'] > 0.0 ? Confidence::Firm : Confidence::Fair;
        }
        $isPlain = $parts['figures'] > 0.0 && $parts['letter'] < 0.5 && $parts['review'] === 0.0;

        return match (true) {
            $answer->direction === Direction::Unclear => Confidence::Check,
            $answer->agreeing < 0 => $isPlain ? Confidence::Fair : Confidence::Check,
            $isPlain || $answer->agreeing > 0 => Confidence::Firm,
            default => Confidence::Fair,
        };
    }
}
