<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Named;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Text\PlacedWord;
use WaryHeron\Core\Text\Stem;
use WaryHeron\Core\Text\Words;

/** Things without proper names, each a part of the question: in which words the papers speak of it. */
final class ConceptNames
{
    /**
     * @param  list<ReadRecord>  $records
     * @return list<NamedThing> those in most papers first
     */
    public static function in(PlainQuestion $question, array $records, NameKind $kind): array
    {
        $roles = $kind === NameKind::Outcome
            ? [ConceptRole::Outcome]
            : [ConceptRole::Exposure, ConceptRole::Comparator];
        $things = [];
        foreach ($question->concepts as $concept) {
            if (in_array($concept->role, $roles, true)) {
                $things[] = self::of($concept, self::own($concept, $question), $records);
            }
        }
        usort(
            $things,
            fn (NamedThing $a, NamedThing $b): int => [count($b->ids), $a->name] <=> [count($a->ids), $b->name],
        );

        return $things;
    }

    /**
     * The phrases that are this concept's and no other's: of "shifts that rotate forward" and "shifts that rotate
     * backward" the last words only.
     *
     * @return list<list<string>>
     */
    private static function own(AskedConcept $concept, PlainQuestion $question): array
    {
        $others = [];
        foreach ($question->concepts as $other) {
            if ($other !== $concept) {
                foreach ($other->slots as $slot) {
                    $others[] = implode(' ', $slot->own);
                }
            }
        }
        $phrases = [];
        foreach ($concept->slots as $slot) {
            if (! in_array(implode(' ', $slot->own), $others, true) && $slot->weight >= 1.0) {
                array_push($phrases, $slot->own, ...$slot->kin);
            }
        }

        return $phrases;
    }

    /**
     * @param  list<list<string>>  $phrases
     * @param  list<ReadRecord>  $records
     */
    private static function of(AskedConcept $concept, array $phrases, array $records): NamedThing
    {
        $written = $ids = [];
        $definition = '';
        foreach ($records as $record) {
            foreach ([$record->title, ...$record->sentences] as $sentence) {
                foreach ($phrases as $phrase) {
                    $surface = str_contains($sentence->stems, ' '.implode(' ', $phrase).' ')
                        ? self::surface($sentence->text, $phrase)
                        : '';
                    if ($surface !== '') {
                        $written[$surface] = ($written[$surface] ?? 0) + 1;
                        $ids[$record->id] = true;
                        $isSaid = $definition === '' && $sentence->has(self::saysWhat($surface));
                        $definition = $isSaid ? $sentence->text : $definition;
                    }
                }
            }
        }
        arsort($written);
        $ids = array_map(strval(...), array_keys($ids));
        sort($ids);
        $spoken = array_map(strval(...), array_keys($written));
        $whole = array_values(
            array_filter($spoken, fn (string $one): bool => preg_match('/^\p{L}+[ -]\p{L}+$/u', $one) === 1),
        );
        $name = count($concept->slots) > 1 ? ($whole[0] ?? $concept->text) : $concept->text;
        $variants = array_values(array_diff($spoken, [$name]));

        return new NamedThing(
            $name,
            $variants,
            $ids,
            $definition,
            array_fill(0, count($variants), 'known to mean nearly the same'),
        );
    }

    /** What says of something what it is, right after its name. */
    private static function saysWhat(string $surface): string
    {
        $is = '(?: \p{L}+){0,2} (?:was|is|were|are) (?:an?\b|any\b|defined as|taken (?:as|to be))';

        return '/\b'.preg_quote($surface, '/')."(?:{$is}|, that is)/iu";
    }

    /** @param  list<string>  $phrase  stems */
    private static function surface(string $text, array $phrase): string
    {
        $words = Words::placed($text);
        $stems = array_map(fn (PlacedWord $word): string => Stem::of($word->word), $words);
        $length = count($phrase);
        for ($i = 0; $i + $length <= count($stems); $i++) {
            if (array_slice($stems, $i, $length) === $phrase) {
                $start = $words[$i]->start;

                return mb_strtolower(substr($text, $start, $words[$i + $length - 1]->end - $start));
            }
        }

        return '';
    }
}
