<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/**
 * The stem of an English word: endings of number, of verbs and of adverbs taken off, so that the forms of one word are
 * one. Lighter than Porter (1980, Program 14:130), of which it keeps the steps for plural, -ed, -ing and final -y:
 * "sleepiness" and "sleep" stay two words.
 */
final class Stem
{
    /** @var array<string, string> */
    private static array $known = [];

    private const IRREGULAR = [
        'fell' => 'fall', 'fallen' => 'fall', 'slept' => 'sleep', 'took' => 'take', 'taken' => 'take',
        'rose' => 'rise', 'risen' => 'rise', 'went' => 'go', 'gone' => 'go', 'women' => 'woman', 'men' => 'man',
        'children' => 'child', 'driven' => 'drive', 'drove' => 'drive', 'gave' => 'give', 'given' => 'give',
        'made' => 'make', 'felt' => 'feel', 'found' => 'find', 'worse' => 'worse', 'left' => 'leave',
        'kept' => 'keep', 'woke' => 'wake', 'woken' => 'wake', 'ate' => 'eat', 'eaten' => 'eat', 'feet' => 'foot',
        'midwives' => 'midwife', 'lives' => 'life', 'analyses' => 'analysis', 'diagnoses' => 'diagnosis',
        'crises' => 'crisis', 'shortness' => 'short', 'staff' => 'staff', 'always' => 'always', 'led' => 'lead',
        'lost' => 'lose', 'broke' => 'break', 'broken' => 'break', 'held' => 'hold', 'drawn' => 'draw',
    ];

    public static function of(string $word): string
    {
        return self::$known[$word] ??= self::stripped(self::IRREGULAR[$word] ?? $word);
    }

    /** @return list<string> the stems of a text's words in their order */
    public static function all(string $text): array
    {
        return array_map(self::of(...), Words::of($text));
    }

    private static function stripped(string $word): string
    {
        if (strlen($word) < 4 || preg_match('/^[a-z]+$/', $word) !== 1) {
            return $word;
        }
        $word = self::singular($word);
        $shorter = (string) preg_replace('/(?<=[a-z]{3})(?:ing|ed|ly)$/', '', $word);
        if ($shorter !== $word && preg_match('/[aeiouy]/', $shorter) === 1) {
            $word = preg_match('/(bb|dd|gg|mm|nn|pp|rr|tt)$/', $shorter) === 1 ? substr($shorter, 0, -1) : $shorter;
        }
        if (strlen($word) > 4 && str_ends_with($word, 'e')) {
            $word = substr($word, 0, -1);
        }

        return strlen($word) > 3 ? (string) preg_replace('/(?<=[^aeiou])y$/', 'i', $word) : $word;
    }

    private static function singular(string $word): string
    {
        return match (true) {
            str_ends_with($word, 'ies') => substr($word, 0, -3).'y',
            str_ends_with($word, 'sses'), str_ends_with($word, 'xes') => substr($word, 0, -2),
            preg_match('/(?:ss|us|is)$/', $word) === 1 => $word,
            str_ends_with($word, 's') => substr($word, 0, -1),
            default => $word,
        };
    }
}
