<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\People;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Asked\QuestionKind;
use WaryHeron\Core\Scouting\Asked\QuestionReader;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Kin\FoundKin;
use WaryHeron\Core\Scouting\Reading\ConceptMatch;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\Signs;
use WaryHeron\Core\Screening\CriterionAnswer;

/** Answers one criterion for papers, each with a quote and a reason. */
final readonly class CriterionJudge
{
    private const NOT_LOOKED_AT = 'it says that this was not looked at';

    /** So much of what is looked for, near together, names it. */
    private const NAMED = 0.75;

    /** So little of it is nothing. */
    private const NOTHING = 0.3;

    /** People are told by one word. */
    private const PEOPLE = 0.5;

    /** As likely to answer the question as this, a paper is on it: words of a question mean other things elsewhere. */
    private const ON_QUESTION = 0.5;

    /** Sentences of an abstract whose silence says something. */
    private const WHOLE = 5;

    /** @param  list<AskedConcept>  $concepts  any of which will do */
    private function __construct(private AskedCriterion $criterion, private array $concepts)
    {
    }

    /** @param  list<ReadRecord>  $records  that may say how else what is looked for is called */
    public static function of(AskedCriterion $criterion, Families $families, array $records): self
    {
        $role = match ($criterion->kind) {
            CriterionKind::People => ConceptRole::Population,
            CriterionKind::Outcome => ConceptRole::Outcome,
            default => ConceptRole::Exposure,
        };
        $reader = new QuestionReader($families);
        $concepts = [];
        foreach (preg_split('/\s+or\s+/u', $criterion->words) ?: [] as $words) {
            $concepts[] = $reader->concept($words, $role);
        }
        $asked = new PlainQuestion($criterion->words, QuestionKind::Effect, array_values(array_filter($concepts)));

        return new self($criterion, FoundKin::in($asked, $records)->concepts);
    }

    /** @param  float  $score  how likely the paper answers the question, 0 to 1 */
    public function reading(ReadRecord $record, float $score = 1.0): CriterionReading
    {
        $reading = $this->read($record);
        $isElsewhere = $score < self::ON_QUESTION && $this->criterion->kind->hasWords() && $this->criterion->kind !== CriterionKind::People;

        return $isElsewhere && $reading->answer === CriterionAnswer::Yes && $reading->confidence === Confidence::Firm
            ? self::yes(Confidence::Fair, $reading->quote, "{$reading->reason}; the paper is about something else")
            : $reading;
    }

    private function read(ReadRecord $record): CriterionReading
    {
        return match ($this->criterion->kind) {
            CriterionKind::OwnFindings => OwnFindings::of($record),
            CriterionKind::People => $this->people($record),
            default => $this->named($record),
        };
    }

    private function people(ReadRecord $record): CriterionReading
    {
        [$counted, $told, $aside] = $this->naming($record);
        $isOthers = People::others($record->title->text) > 0 && $this->share($record->title) < self::PEOPLE;

        return match (true) {
            $isOthers && $counted === null => self::no(
                Confidence::Firm,
                $record->title->text,
                'the title names other people',
            ),
            $counted !== null && ! $isOthers => self::yes(Confidence::Firm, $counted->text, 'they were counted'),
            $counted !== null => self::yes(
                Confidence::Check,
                $counted->text,
                'they were counted, and the title names others',
            ),
            $told !== null => self::yes(Confidence::Fair, $told->text, 'they are named'),
            default => self::unclear(
                $aside->text ?? '',
                $aside === null ? 'nobody of them is named' : 'they are named only in passing',
            ),
        };
    }

    /** @return list<?RecordSentence> the first that counts them, the first that names them, the first in passing */
    private function naming(ReadRecord $record): array
    {
        [$counted, $told, $aside] = [null, null, null];
        foreach ([$record->title, ...$record->sentences] as $sentence) {
            if ($this->share($sentence) < self::PEOPLE) {
                continue;
            }
            if (self::isAside($sentence)) {
                $aside ??= $sentence;
            } elseif ($sentence->has(Signs::COUNT) && $sentence->place < 0.7) {
                $counted ??= $sentence;
            } else {
                $told ??= $sentence;
            }
        }

        return [$counted, $told, $aside];
    }

    private function named(ReadRecord $record): CriterionReading
    {
        $named = $this->ways($record);
        [$denied, $found, $told, $aside] = [$named->denied, $named->found, $named->told, $named->aside];
        $isSilent = $named->most < self::NOTHING && count($record->sentences) >= self::WHOLE;
        if ($denied !== null) {
            return $found === null
                ? self::no($told === null ? Confidence::Firm : Confidence::Fair, $denied->text, self::NOT_LOOKED_AT)
                : self::unclear($denied->text, self::NOT_LOOKED_AT.', and tells something of it');
        }
        $isOutcome = $this->criterion->kind === CriterionKind::Outcome;
        $onlyPart = $aside === null ? 'only part of it is named' : 'it is named only in passing';

        return match (true) {
            $found !== null => self::yes(Confidence::Firm, $found->text, 'a finding tells of it'),
            $told !== null => self::yes(
                $isOutcome ? Confidence::Fair : Confidence::Firm,
                $told->text,
                'it is named, not as a finding',
            ),
            // where a study took place often goes without saying
            $isSilent && $this->criterion->kind !== CriterionKind::Named => self::no(
                Confidence::Fair,
                '',
                'nothing of it is named in title or abstract',
            ),
            default => self::unclear($aside->text ?? '', $onlyPart),
        };
    }

    private function ways(ReadRecord $record): Naming
    {
        $most = 0.0;
        $named = ['denied' => null, 'aside' => null, 'found' => null, 'told' => null];
        foreach ([$record->title, ...$record->sentences] as $sentence) {
            $share = $this->share($sentence);
            $most = max($most, $share);
            if ($share >= self::NAMED) {
                $way = match (true) {
                    $sentence->has(Signs::NOT_LOOKED_FOR) && ! $sentence->has(Signs::FIGURE) => 'denied',
                    self::isAside($sentence) => 'aside',
                    $sentence->isFinding() => 'found',
                    default => 'told',
                };
                $named[$way] ??= $sentence;
            }
        }

        return new Naming($most, ...$named);
    }

    private function share(RecordSentence $sentence): float
    {
        return max([0.0, ...array_map(
            fn (AskedConcept $one): float => ConceptMatch::of($one, $sentence)->share,
            $this->concepts,
        )]);
    }

    /** What others did, what is wished for, or what has long been known. */
    private static function isAside(RecordSentence $sentence): bool
    {
        return $sentence->has(Signs::SHOULD) || $sentence->has(Signs::OTHERS);
    }

    private static function yes(Confidence $confidence, string $quote, string $reason): CriterionReading
    {
        return new CriterionReading(CriterionAnswer::Yes, $confidence, $quote, $reason);
    }

    private static function no(Confidence $confidence, string $quote, string $reason): CriterionReading
    {
        return new CriterionReading(CriterionAnswer::No, $confidence, $quote, $reason);
    }

    private static function unclear(string $quote, string $reason): CriterionReading
    {
        return new CriterionReading(CriterionAnswer::Unclear, Confidence::Check, $quote, $reason);
    }
}
