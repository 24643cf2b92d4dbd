<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

use WaryHeron\Core\Text\Words;

/** A question as searches in our query language, from narrow to wide. */
final class QuestionStrategy
{
    /** Of each part no more names than a database takes without complaint. */
    private const MOST_WORDS = 30;

    /**
     * @return list<string> each finds at least what those before it do: all that is asked; what is done and its
     *     outcome; the main word of each
     */
    public static function of(PlainQuestion $question): array
    {
        $core = [ConceptRole::Exposure, ConceptRole::Comparator, ConceptRole::Outcome];
        $steps = [
            self::all($question, [...$core, ConceptRole::Population], false),
            self::all($question, $core, false),
            self::all($question, $core, true),
        ];

        return array_values(array_unique(array_filter($steps)));
    }

    /**
     * The parts of a question as concepts of a strategy; where and when is left to people.
     *
     * @return list<ConceptTerms>
     */
    public static function concepts(PlainQuestion $question): array
    {
        $concepts = [];
        foreach ($question->concepts as $concept) {
            $main = $concept->slots[count($concept->slots) - 1] ?? null;
            if ($main !== null && $concept->role !== ConceptRole::Setting) {
                $terms = array_filter(array_map(self::term(...), array_slice($main->words, 0, self::MOST_WORDS)));
                $concepts[] = new ConceptTerms($concept->text, array_values(array_unique($terms)));
            }
        }

        return $concepts;
    }

    /** @param  list<ConceptRole>  $roles */
    private static function all(PlainQuestion $question, array $roles, bool $onlyMain): string
    {
        $blocks = [];
        foreach ($question->concepts as $concept) {
            if (in_array($concept->role, $roles, true)) {
                // one and what it is set against need not be named both
                $key = $concept->role === ConceptRole::Comparator
                    ? ConceptRole::Exposure->value
                    : $concept->role->value;
                $blocks[$key][] = self::concept($concept, $onlyMain);
            }
        }

        return implode(' AND ', array_filter(array_map(
            fn (array $alternatives): string => self::any(array_filter($alternatives)),
            $blocks,
        )));
    }

    private static function concept(AskedConcept $concept, bool $onlyMain): string
    {
        $slots = array_filter($concept->slots, fn (ConceptSlot $slot): bool => ! $onlyMain || $slot->weight >= 1.0);
        $parts = array_filter(array_map(
            fn (ConceptSlot $slot): string => self::any(
                array_filter(array_map(self::term(...), array_slice($slot->words, 0, self::MOST_WORDS))),
            ),
            $slots,
        ));

        return count($parts) > 1 ? '('.implode(' AND ', $parts).')' : implode('', $parts);
    }

    /** @param  array<string>  $terms */
    private static function any(array $terms): string
    {
        $terms = array_unique($terms);

        return count($terms) > 1 ? '('.implode(' OR ', $terms).')' : implode('', $terms);
    }

    /** A word with its endings, or a phrase. */
    private static function term(string $written): string
    {
        $words = Words::of($written);
        if (count($words) > 1) {
            return '"'.implode(' ', $words).'"';
        }
        $word = $words[0] ?? '';

        return mb_strlen($word) > 2 && preg_match('/^\p{L}+$/u', $word) === 1 ? rtrim($word, 'e').'*' : $word;
    }
}
