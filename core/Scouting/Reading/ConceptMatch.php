<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptSlot;

/** How much of a concept a sentence holds. */
final readonly class ConceptMatch
{
    private const KIN = 0.9;

    /** A phrase of several words that stands for one part of a concept mostly stands for the whole. */
    private const TELLING = 0.8;

    /**
     * @param  float  $share  0 nothing of it to 1 all of it, near together
     * @param  bool  $isContrary  it is told by its contrary: less of what the sentence names is more of the concept
     * @param  int  $at  the place of its main word among the stems; -1 where it is not there
     */
    private function __construct(public float $share, public bool $isContrary = false, public int $at = -1)
    {
    }

    public static function of(AskedConcept $concept, RecordSentence $sentence): self
    {
        $held = $weights = 0.0;
        $places = [];
        $isContrary = $telling = false;
        $at = -1;
        foreach ($concept->slots as $slot) {
            $weights += $slot->weight;
            [$strength, $place, $contrary, $isTelling] = self::slot($slot, $sentence->stems);
            $telling = $telling || $isTelling;
            $held += $slot->weight * $strength;
            if ($place >= 0) {
                $places[] = $place;
                $isContrary = $isContrary || $contrary;
                $at = $place;
            }
        }
        $isFar = count($places) > 1 && max($places) - min($places) > 3 * count($concept->slots) + 3;

        $share = $weights > 0 ? ($held / $weights) * ($isFar ? 0.6 : 1.0) : 0.0;

        return new self($telling ? max(self::TELLING, $share) : $share, $isContrary, $at);
    }

    /** @return array{float, int, bool, bool} strength, place, whether by its contrary, whether by a phrase of its kin */
    private static function slot(ConceptSlot $slot, string $stems): array
    {
        foreach (self::tried($slot) as [$phrase, $strength, $contrary]) {
            $place = self::place($phrase, $stems);
            if ($place >= 0) {
                return [$strength, $place, $contrary, $strength < 1.0 && count($phrase) > 1 && count($slot->own) > 1];
            }
        }
        $some = count($slot->own) > 1 ? self::share($slot->own, $stems) : 0.0;

        return [$some >= 0.99 ? 0.8 : 0.4 * $some, -1, false, false];
    }

    /**
     * A contrary that holds the word itself ("short sleep" of "sleep") is looked for before it.
     *
     * @return \Generator<array{list<string>, float, bool}>
     */
    private static function tried(ConceptSlot $slot): \Generator
    {
        foreach ($slot->contrary as $phrase) {
            if (count($phrase) > 1 && array_intersect($slot->own, $phrase) !== []) {
                yield [$phrase, self::KIN, true];
            }
        }
        yield [$slot->own, 1.0, false];
        foreach ($slot->kin as $phrase) {
            yield [$phrase, self::KIN, false];
        }
        foreach ($slot->contrary as $phrase) {
            yield [$phrase, self::KIN, true];
        }
    }

    /** @param  list<string>  $phrase */
    private static function place(array $phrase, string $stems): int
    {
        $at = strpos($stems, ' '.implode(' ', $phrase).' ');

        return $at === false ? -1 : substr_count($stems, ' ', 0, $at + 1) - 1;
    }

    /** @param  list<string>  $words */
    private static function share(array $words, string $stems): float
    {
        return count(array_filter($words, fn (string $word): bool => str_contains($stems, " {$word} "))) / count($words);
    }
}
