<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Kin;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\ConceptSlot;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\ConceptMatch;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\RecordSentence;
use WaryHeron\Core\Scouting\Reading\SentencePart;
use WaryHeron\Core\Text\Stem;

/** What the records themselves say that a concept is also called: where they define a word or give a short form. */
final class FoundKin
{
    private const DEFINED = '/(?:\b(?:An?|The|a|an)\s+)?((?:[\p{L}-]+\s+){1,3}?)(?:(?:was|were|is|are) (?:defined as|taken as|an?\b|any\b)|, that is,|, i\.e\.,?|\bmeans\b|, in which\b|, or\b)\s*([^.;]{10,140})/u';

    private const SHORTENED = '/((?:[\p{L}-]+\s+){1,5}[\p{L}-]+)\s+\((\p{Lu}{2,8})s?\)/u';

    /** What a sentence must hold to be worth the longer look. */
    private const MAY = '/defined as|taken as|, that is,|i\.e\.|\bmeans\b|, in which|\b(?:was|is|were|are) (?:an?|any)\b|, or\b|\(\p{Lu}{2}/u';

    /** A short form is taken for so many phrases at most, those in most records first. */
    private const WAYS = 2;

    /** A definition holds at least so much of the concept. */
    private const HELD = 0.72;

    private const COMMON = ['study', 'aim', 'group', 'outcome', 'result', 'effect', 'participant', 'person', 'it', 'this', 'that', 'there', 'which', 'exposur', 'intervention', 'measur', 'main', 'primari', 'difference', 'respons', 'on'];

    /** @param  list<ReadRecord>  $records */
    public static function in(PlainQuestion $question, array $records): PlainQuestion
    {
        $defined = [];
        foreach ($records as $record) {
            foreach ($record->sentences as $sentence) {
                if (! $sentence->has(self::MAY)) {
                    continue;
                }
                foreach ([self::DEFINED, self::SHORTENED] as $pattern) {
                    if (preg_match_all($pattern, $sentence->text, $found, PREG_SET_ORDER) > 0) {
                        foreach ($found as [, $one, $other]) {
                            $defined[] = $pattern === self::DEFINED ? [$one, $other] : [$other, $one];
                        }
                    }
                }
            }
        }

        $spelled = self::spelled($question->text, $records);
        $question = $question->withSlots(
            fn (ConceptSlot $slot): ConceptSlot => $slot->with($spelled[implode(' ', $slot->own)] ?? []),
        );

        return $question->mapped(fn (AskedConcept $concept): AskedConcept => in_array($concept->role, [ConceptRole::Exposure, ConceptRole::Comparator, ConceptRole::Outcome], true)
            ? $concept->with(self::phrases($concept, $defined))
            : $concept);
    }

    /**
     * Short forms that the question has in capitals, as the records write them out: "light-emitting diode" for LED.
     *
     * @param  list<ReadRecord>  $records
     * @return array<string, list<list<string>>>  phrases, by the stem of the short form
     */
    private static function spelled(string $question, array $records): array
    {
        $spelled = [];
        preg_match_all('/\b\p{Lu}{3,6}\b/u', $question, $found);
        foreach (array_unique($found[0]) as $short) {
            $initials = array_map(
                fn (string $letter): string => "{$letter}[\\p{L}]{2,}",
                mb_str_split(mb_strtolower($short)),
            );
            $pattern = '/\b'.implode('[- ](?:of |and |the |for |in )?', $initials).'\b/iu';
            $phrases = [];
            foreach ($records as $record) {
                foreach ([$record->title, ...$record->sentences] as $sentence) {
                    if (preg_match($pattern, $sentence->text, $held) === 1) {
                        $phrase = mb_strtolower($held[0]);
                        $phrases[$phrase] = ($phrases[$phrase] ?? 0) + 1;
                    }
                }
            }
            arsort($phrases);
            $spelled[Stem::of(mb_strtolower($short))] = array_map(
                Stem::all(...),
                array_slice(array_keys($phrases), 0, self::WAYS),
            );
        }

        return $spelled;
    }

    /**
     * @param  list<array{string, string}>  $defined  word and what it is said to be
     * @return list<list<string>>
     */
    private static function phrases(AskedConcept $concept, array $defined): array
    {
        $phrases = [];
        foreach ($defined as [$word, $meaning]) {
            $stems = Stem::all($word);
            $isShort = count($stems) === 1 && mb_strtoupper($word) === $word;
            $meant = ConceptMatch::of($concept, new RecordSentence($meaning, SentencePart::Untold, 0.5))->share;
            if (
                $meant >= self::HELD &&
                ($isShort || count($stems) > 1) &&
                array_intersect($stems, self::COMMON) === []
            ) {
                $phrases[implode(' ', $stems)] = $stems;
            }
        }

        return array_values($phrases);
    }
}
