<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Scouting\Answer\Candidate;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;

/**
 * How much of a question's words a record holds anywhere, each by its weight, repetition counting less and less and the
 * title twice, as in BM25F (Robertson & Zaragoza 2009, Found Trends Inf Retr 3:333).
 */
final class Coverage
{
    private const SATURATION = 0.7;

    /** @param  list<Candidate>  $candidates  the sentences of the record */
    public static function of(
        PlainQuestion $question,
        ConceptMatches $title,
        array $candidates,
        float $least = 0.0,
    ): float {
        $held = $weights = 0.0;
        foreach ($question->concepts as $i => $concept) {
            foreach ($concept->slots as $at => $slot) {
                $times = 0.0;
                foreach ([$title, $title, ...array_column($candidates, 'matches')] as $matches) {
                    $strength = $matches->all[$i]->held[$at] ?? 0.0;
                    $times += $strength >= $least ? $strength : 0.0;
                }
                $weight = $slot->weight * self::weight($concept->role);
                $weights += $weight;
                $held += ($weight * $times) / ($times + self::SATURATION);
            }
        }

        return $weights > 0.0 ? $held / $weights : 0.0;
    }

    private static function weight(ConceptRole $role): float
    {
        return match ($role) {
            ConceptRole::Exposure, ConceptRole::Comparator, ConceptRole::Outcome => 1.0,
            ConceptRole::Population => 0.6,
            default => 0.4,
        };
    }
}
