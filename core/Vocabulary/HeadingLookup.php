<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

use WaryHeron\Core\Text\Words;

/** From a typed word to headings, each with the reason why it is offered. */
final class HeadingLookup
{
    /**
     * @param  iterable<Concept>  $concepts  candidates; those that the word has nothing to do with are left out
     * @return list<Offer> the strongest reason first, then shorter names
     */
    public static function rank(string $typed, iterable $concepts): array
    {
        $words = Words::of($typed);
        $offers = [];
        foreach ($words === [] ? [] : $concepts as $concept) {
            $offer = self::offer($words, $concept);
            if ($offer !== null) {
                $offers[] = $offer;
            }
        }
        usort(
            $offers,
            fn (Offer $a, Offer $b): int => [$a->why->rank(), mb_strlen($a->name), $a->concept->label] <=> [
                $b->why->rank(),
                mb_strlen($b->name),
                $b->concept->label,
            ],
        );

        return $offers;
    }

    /**
     * Headings whose names go on from what is typed: every word but the last is a word of the name, and the last begins
     * one.
     *
     * @param  iterable<Concept>  $concepts
     * @return list<Offer> names that begin so first, preferred before other names, then shorter ones
     */
    public static function completing(string $typed, iterable $concepts): array
    {
        $words = Words::of($typed);
        $ranked = [];
        foreach ($words === [] ? [] : $concepts as $concept) {
            foreach ([$concept->label, ...$concept->alternatives] as $at => $name) {
                if (self::goesOn($words, $own = Words::of($name))) {
                    $why =
                        $at === 0
                            ? ($own === $words
                                ? Why::IsPreferred
                                : Why::InPreferred)
                            : ($own === $words
                                ? Why::IsAlternative
                                : Why::InAlternative);
                    $begins = str_starts_with(implode(' ', $own), implode(' ', $words)) ? 0 : 1;
                    $ranked[] = [
                        [$begins, $at === 0 ? 0 : 1, mb_strlen($name), $concept->label],
                        new Offer($concept, $why, $name),
                    ];
                    break;
                }
            }
        }
        usort($ranked, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($ranked, 1);
    }

    /**
     * @param  list<string>  $words
     * @param  list<string>  $name
     */
    private static function goesOn(array $words, array $name): bool
    {
        $last = array_pop($words) ?? '';

        return array_diff($words, $name) === [] &&
            array_filter($name, fn (string $one): bool => str_starts_with($one, $last)) !== [];
    }

    /**
     * Headings of equal strength that lie under different tops mean different things: the person has to choose.
     *
     * @param  list<Offer>  $offers  as ranked
     * @param  callable(Concept): list<string>  $tops  labels of the tops above a concept
     * @return list<Offer> empty where there is nothing to be careful about
     */
    public static function ambiguous(array $offers, callable $tops): array
    {
        $named = array_values(
            array_filter($offers, fn (Offer $offer): bool => $offer->why->rank() <= Why::InPreferred->rank()),
        );
        if (count($named) < 2) {
            return [];
        }
        $first = $tops($named[0]->concept);
        $other = array_filter(
            array_slice($named, 1),
            fn (Offer $offer): bool => array_intersect($tops($offer->concept), $first) === [],
        );

        return $other === [] ? [] : [$named[0], ...array_slice(array_values($other), 0, 3)];
    }

    /** @param  list<string>  $words */
    private static function offer(array $words, Concept $concept): ?Offer
    {
        $preferred = Words::of($concept->label);
        if ($preferred === $words) {
            return new Offer($concept, Why::IsPreferred, $concept->label);
        }
        $within = null;
        foreach ($concept->alternatives as $alternative) {
            $own = Words::of($alternative);
            if ($own === $words) {
                return new Offer($concept, Why::IsAlternative, $alternative);
            }
            $within ??= array_diff($words, $own) === [] ? $alternative : null;
        }

        return match (true) {
            array_diff($words, $preferred) === [] => new Offer($concept, Why::InPreferred, $concept->label),
            $within !== null => new Offer($concept, Why::InAlternative, $within),
            ($name = self::sharingStems($words, $concept)) !== null => new Offer($concept, Why::Stem, $name),
            array_diff($words, Words::of("{$concept->scopeNote} {$concept->definition}")) === [] => new Offer(
                $concept,
                Why::InNote,
                $concept->label,
            ),
            default => null,
        };
    }

    /** @param  list<string>  $words */
    private static function sharingStems(array $words, Concept $concept): ?string
    {
        $stems = array_map(self::stem(...), $words);
        foreach ([$concept->label, ...$concept->alternatives] as $name) {
            $own = array_map(self::stem(...), Words::of($name));
            if (array_diff($stems, $own) === []) {
                return $name;
            }
        }

        return null;
    }

    /** A crude stem: enough to bring nurses to nursing and lighting to light. */
    public static function stem(string $word): string
    {
        $stem = (string) preg_replace('/(?:ations?|ings?|ies|ments?|ness|ers?|ed|es|s|y|e)$/', '', $word);

        return strlen($stem) >= 4 ? $stem : (string) preg_replace('/s$/', '', $word);
    }
}
