<?php

declare(strict_types=1);

namespace Bench\Judged;

use WaryHeron\Standins\Corpus\Study;

/**
 * Grades a made-up study for a question by what was drawn for it, not by the words that tell it: 3 it answers, 2 with
 * reservations (a review, a survey that names what is asked as a factor), 1 it touches the question (a plan, another
 * outcome, other people), 0 it is about something else.
 */
final class Judge
{
    private const TRIALS = ['trial', 'crossover', 'cluster', 'before-after', 'conference'];

    private const SURVEYS = ['survey', 'cohort'];

    /** @param  array{kind: string, does?: string, topics?: list<string>, outcomes: list<string>, people?: string}  $question */
    public static function grade(array $question, Study $study): int
    {
        $facts = $study->facts;
        $isPeople = preg_match('/'.($question['people'] ?? '').'/', $facts->people) === 1;
        $isFirst = in_array($facts->outcomes[0], $question['outcomes'], true);
        if ($question['kind'] === 'prevalence') {
            return match (true) {
                ! $isFirst => 0,
                in_array($facts->design, self::SURVEYS, true) && $study->abstract !== '' => $isPeople ? 3 : 1,
                default => 1,
            };
        }
        $isTopic = in_array($facts->topic, $question['topics'] ?? [$facts->topic], true);
        if (! $isTopic || preg_match("/{$question['does']}/", $facts->does) !== 1) {
            return 0;
        }
        $isMeasured = array_intersect($facts->outcomes, $question['outcomes']) !== [];
        if (! $isMeasured || ! $isPeople || $study->abstract === '') {
            return 1;
        }

        return match (true) {
            in_array($facts->design, self::TRIALS, true) => 3,
            ! $isFirst => 1,
            $facts->design === 'systematic' => str_contains($study->abstract, 'not pooled') ? 1 : 2,
            in_array($facts->design, self::SURVEYS, true) => self::isFactor($facts->does, $study->abstract) ? 2 : 1,
            default => 1,
        };
    }

    private static function isFactor(string $does, string $abstract): bool
    {
        $does = preg_quote($does, '/');

        return preg_match("/associat\\w+ (?:was seen )?with {$does}|{$does} remained/i", $abstract) === 1;
    }
}
