<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptSlot;
use WaryHeron\Core\Scouting\Asked\SlotPhrase;

/** How much of a concept a sentence holds. */
final readonly class ConceptMatch
{
    /** "alertness" for "alert". */
    private const ALIKE = 0.7;

    /** A phrase of several words that stands for one part of a concept mostly stands for the whole. */
    private const TELLING = 0.8;

    /**
     * @param  float  $share  0 nothing of it to 1 all of it, near together
     * @param  bool  $isContrary  it is told by its contrary: less of what the sentence names is more of the concept
     * @param  int  $at  the place of its main word among the stems; -1 where it is not there
     * @param  list<float>  $held  of each slot how much of it, 0 to 1
     */
    private function __construct(
        public float $share,
        public bool $isContrary = false,
        public int $at = -1,
        public array $held = [],
    ) {
    }

    public static function of(AskedConcept $concept, RecordSentence $sentence): self
    {
        $held = $weights = 0.0;
        $places = $strengths = [];
        $isContrary = $telling = false;
        $at = -1;
        foreach ($concept->slots as $slot) {
            $weights += $slot->weight;
            $phrase = self::held($slot, $sentence);
            $strengths[] = $strength = $phrase === null ? self::scattered($slot, $sentence) : $phrase->strength;
            $held += $slot->weight * $strength;
            if ($phrase !== null) {
                $places[] = $at = self::place($phrase, $sentence);
                $telling = $telling || $phrase->isTelling;
                $isContrary = $isContrary || $phrase->isContrary;
            }
        }
        $isFar = count($places) > 1 && max($places) - min($places) > 3 * count($concept->slots) + 3;

        $share = $weights > 0 ? ($held / $weights) * ($isFar ? 0.6 : 1.0) : 0.0;

        return new self($telling ? max(self::TELLING, $share) : $share, $isContrary, $at, $strengths);
    }

    /** The phrase of lowest rank that the sentence holds. */
    private static function held(ConceptSlot $slot, RecordSentence $sentence): ?SlotPhrase
    {
        $held = null;
        foreach (array_intersect_key($slot->phrases, $sentence->set) as $phrases) {
            foreach ($phrases as $phrase) {
                if (
                    ($held === null || $phrase->rank < $held->rank) &&
                    str_contains($sentence->stems, $phrase->needle)
                ) {
                    $held = $phrase;
                }
            }
        }

        return $held;
    }

    private static function place(SlotPhrase $phrase, RecordSentence $sentence): int
    {
        return substr_count($sentence->stems, ' ', 0, (int) strpos($sentence->stems, $phrase->needle) + 1) - 1;
    }

    /** Of a phrase some of whose words stand apart, or of a word that nothing else is known of a word that begins alike. */
    private static function scattered(ConceptSlot $slot, RecordSentence $sentence): float
    {
        if ($slot->beginning !== '') {
            return str_contains($sentence->stems, " {$slot->beginning}") ? self::ALIKE : 0.0;
        }
        $some = count($slot->own) > 1
            ? count(array_intersect_key(array_flip($slot->own), $sentence->set)) / count($slot->own)
            : 0.0;

        return $some >= 0.99 ? 0.8 : 0.4 * $some;
    }
}
