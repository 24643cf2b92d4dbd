<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Scouting\Answer\Candidate;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\People;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;

/**
 * What speaks for and against a record's answering a question, each between 0 and 1 (what is denied up to 1.5).
 *
 * How often a concept is named is weighed as BM25F does (Robertson & Zaragoza 2009, Found Trends Inf Retr 3:333): the
 * title counts twice, repetition less and less, long abstracts less. All concepts of a question weigh alike: where
 * nearly all records share a topic, how rare a word is among them tells nothing.
 */
final readonly class Evidence
{
    private const TITLE = 2.0;

    private const SATURATION = 1.5;

    private const LENGTH = 0.4;

    /** Sentences of an abstract of usual length. */
    private const USUAL = 11;

    /** @param  array<string, float>  $parts  by Weight */
    private function __construct(public array $parts)
    {
    }

    /** @param  list<Candidate>  $candidates  the sentences of the record, best first */
    public static function of(PlainQuestion $question, ReadRecord $record, array $candidates): self
    {
        $title = ConceptMatches::of($question, $record->title);
        $about = self::named($question, $title, $candidates, self::about(...));
        $outcome = self::named(
            $question,
            $title,
            $candidates,
            fn (PlainQuestion $q, ConceptMatches $m): float => $m->share(ConceptRole::Outcome),
        );
        $people = self::named(
            $question,
            $title,
            $candidates,
            fn (PlainQuestion $q, ConceptMatches $m): float => $m->share(ConceptRole::Population),
        );
        $best = $candidates[0] ?? null;

        return new self([
            'sentence' => ($best->score ?? 0.0) / 6,
            'directness' => self::directness($question, $candidates),
            'coverage' => Coverage::of($question, $title, $candidates),
            'verbatim' => Coverage::of($question, $title, $candidates, 1.0),
            'exposure' => $about,
            'outcome' => $outcome,
            'both' => min($about, $outcome),
            'people' => $people,
            'sample' => self::sample($candidates),
            'figures' => $best?->sentence->has(Signs::STATISTIC) === true ? 1.0 : 0.0,
            'trial' => $record->has(Signs::TRIAL) ? 1.0 : 0.0,
            'observed' => $record->has(Signs::OBSERVED) ? 1.0 : 0.0,
            'protocol' => min(3, $record->count(Signs::PROTOCOL)) / 3,
            'review' => $record->has(Signs::REVIEW) ? 1.0 : 0.0,
            'letter' => max(
                $record->title->has(Signs::LETTER) ? 1.0 : 0.0,
                min(2, $record->count(Signs::SECONDHAND)) / 2,
            ),
            'local' => min(3, $record->count(Signs::LOCAL)) / 3,
            'denied' => self::denied($question, $candidates),
            'others' => $question->has(ConceptRole::Population) && $title->share(ConceptRole::Population) < 0.5
                ? (float) min(1, People::others($record->title->text))
                : 0.0,
        ]);
    }

    /** What a question asks about: what is done, or where nothing is, the thing itself. */
    private static function about(PlainQuestion $question, ConceptMatches $matches): float
    {
        return $question->has(ConceptRole::Exposure)
            ? max($matches->share(ConceptRole::Exposure), $matches->share(ConceptRole::Comparator))
            : $matches->share(ConceptRole::Outcome);
    }

    /**
     * @param  list<Candidate>  $candidates
     * @param  callable(PlainQuestion, ConceptMatches): float  $share
     */
    private static function named(
        PlainQuestion $question,
        ConceptMatches $title,
        array $candidates,
        callable $share,
    ): float {
        $times = self::TITLE * $share($question, $title);
        foreach ($candidates as $candidate) {
            $held = $share($question, $candidate->matches);
            $times += $held >= 0.5 ? $held : 0.0;
        }
        $times /= 1 - self::LENGTH + (self::LENGTH * count($candidates)) / self::USUAL;

        return $times / ($times + self::SATURATION);
    }

    /** @param  list<Candidate>  $candidates */
    private static function directness(PlainQuestion $question, array $candidates): float
    {
        return max([0.0, ...array_map(
            fn (Candidate $one): float => min(
                self::about($question, $one->matches),
                $one->matches->share(ConceptRole::Outcome),
            ),
            $candidates,
        )]);
    }

    /**
     * Whether those who are asked about are those who were counted.
     *
     * @param  list<Candidate>  $candidates
     */
    private static function sample(array $candidates): float
    {
        foreach ($candidates as $one) {
            if (
                $one->sentence->place < 0.7 &&
                $one->matches->share(ConceptRole::Population) >= 0.5 &&
                $one->sentence->has(Signs::COUNT)
            ) {
                return 1.0;
            }
        }

        return 0.0;
    }

    /**
     * How much of the question the authors say they did not look at.
     *
     * @param  list<Candidate>  $candidates
     */
    private static function denied(PlainQuestion $question, array $candidates): float
    {
        $denied = 0.0;
        foreach ($candidates as $one) {
            if ($one->sentence->has(Signs::NOT_LOOKED_FOR) && ! $one->sentence->has(Signs::FIGURE)) {
                $denied += max(
                    $one->matches->share(ConceptRole::Outcome),
                    0.7 * self::about($question, $one->matches),
                    0.6 * $one->matches->share(ConceptRole::Population),
                );
            }
        }

        return min(1.5, $denied);
    }
}
