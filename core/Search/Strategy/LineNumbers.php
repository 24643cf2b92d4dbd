<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** Finds and changes the line numbers in a line's text, and leaves the rest as it was typed, mistakes included. */
final class LineNumbers
{
    private const PATTERN = '/["“”„][^"“”„]*(?:["“”„]|$)|#(?<from>\d{1,4})\s*-\s*#(?<to>\d{1,4})|#(?<one>\d{1,4})/u';

    /** @return list<int> each once, in the order of the text */
    public static function in(string $text): array
    {
        $numbers = [];
        self::each($text, function (array $these) use (&$numbers): string {
            array_push($numbers, ...$these);

            return '';
        });

        return array_values(array_unique($numbers));
    }

    /**
     * The text with every number changed; a range whose lines are no longer neighbours is written out.
     *
     * @param  callable(int): int  $new
     */
    public static function changed(string $text, callable $new): string
    {
        return self::each($text, fn (array $these): string => self::ranges(array_map($new, $these)));
    }

    /**
     * Line numbers as the query language writes them: neighbours as a range.
     *
     * @param  list<int>  $numbers
     */
    public static function ranges(array $numbers): string
    {
        $parts = [];
        for ($i = 0; $i < count($numbers); $i++) {
            $from = $numbers[$i];
            while (isset($numbers[$i + 1]) && $numbers[$i + 1] === $numbers[$i] + 1) {
                $i++;
            }
            $parts[] = $from === $numbers[$i] ? "#{$from}" : "#{$from}-#{$numbers[$i]}";
        }

        return implode(',', $parts);
    }

    /** @param  callable(list<int>): string  $replace */
    private static function each(string $text, callable $replace): string
    {
        return (string) preg_replace_callback(
            self::PATTERN,
            fn (array $match): string => match (true) {
                ($match['one'] ?? '') !== '' => $replace([(int) $match['one']]),
                ($match['to'] ?? '') !== '' && (int) $match['from'] <= (int) $match['to'] => $replace(
                    range((int) $match['from'], (int) $match['to']),
                ),
                default => $match[0],
            },
            $text,
        );
    }
}
