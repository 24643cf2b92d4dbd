<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

/** What the claims of a report say, and which of their numbers nothing that they rest on holds. */
final class ClaimWords
{
    /** Digits with points and commas within, and a sign before; not part of a name such as N95. */
    private const NUMBER = '/(?<![\p{L}\p{N}.,])[-−]?\d+(?:[.,]\d+)*/u';

    /** @return array<string, string> the words of each claim, in the order of the text, by its id */
    public static function of(Node $document): array
    {
        $words = [];
        foreach ($document->all() as $node) {
            foreach ($node->marks as $mark) {
                if ($mark->type === Mark::CLAIM) {
                    $id = $mark->value;
                    $words[$id] = ($words[$id] ?? '').$node->text;
                }
            }
        }

        return $words;
    }

    /**
     * @param  list<string>  $evidence  what it rests on, in words
     * @return list<string> numbers as the claim writes them
     */
    public static function unheld(string $claim, array $evidence): array
    {
        $held = array_flip(array_map(self::plain(...), self::numbers(implode(" \n ", $evidence))));

        return array_values(array_filter(self::numbers($claim), fn (string $one): bool => ! isset($held[self::plain($one)])));
    }

    /** @return list<string> */
    private static function numbers(string $text): array
    {
        return preg_match_all(self::NUMBER, $text, $found) > 0 ? array_values(array_unique($found[0])) : [];
    }

    /** The same number written otherwise is the same: without thousands, with a point, without noughts at the end. */
    private static function plain(string $number): string
    {
        $number = str_replace('−', '-', $number);
        $number = (string) preg_replace('/,(?=\d{3}(?:\D|$))/', '', $number);
        $number = str_replace(',', '.', $number);

        return str_contains($number, '.') ? rtrim(rtrim($number, '0'), '.') : $number;
    }
}
