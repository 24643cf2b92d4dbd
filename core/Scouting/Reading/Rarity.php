<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptSlot;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;

/**
 * Weighs the words of a question by how rare they are among the records (Spärck Jones 1972, J Doc 28:11): in "graded
 * exercise" among thousands of records it is "graded" that tells. Among few records, of which nearly all share a topic,
 * rarity is chance, and the words keep their weights.
 */
final class Rarity
{
    /** Of so many records rarity counts half. */
    private const HALF = 150;

    /** A word that all hold still says something of what is asked. */
    private const LEAST = 0.25;

    private const MOST = 2.5;

    /** @param  list<ReadRecord>  $records */
    public static function weighed(PlainQuestion $question, array $records): PlainQuestion
    {
        $count = count($records);
        if ($count === 0) {
            return $question;
        }
        $rarities = array_map(
            fn (AskedConcept $concept): array => array_map(
                fn (ConceptSlot $slot): float => self::of(self::holding($slot, $records), $count),
                $concept->slots,
            ),
            $question->concepts,
        );
        $mean = self::mean($rarities);
        $trust = $count / ($count + self::HALF);

        return $question->withSlots(fn (ConceptSlot $slot, int $concept, int $at): ConceptSlot => $slot->weighing(
            $slot->weight * (1 - $trust + $trust * max(self::LEAST, min(self::MOST, $rarities[$concept][$at] / $mean))),
        ));
    }

    /** @param  list<list<float>>  $rarities */
    private static function mean(array $rarities): float
    {
        $all = array_merge(...$rarities);

        return $all === [] ? 1.0 : max(0.01, array_sum($all) / count($all));
    }

    private static function of(int $holding, int $count): float
    {
        return log(1 + ($count - $holding + 0.5) / ($holding + 0.5));
    }

    /** @param  list<ReadRecord>  $records */
    private static function holding(ConceptSlot $slot, array $records): int
    {
        $holding = 0;
        foreach ($records as $record) {
            foreach ([$record->title, ...$record->sentences] as $sentence) {
                if ($slot->isIn($sentence->stems, $sentence->set)) {
                    $holding++;

                    break;
                }
            }
        }

        return $holding;
    }
}
