<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Ranked;

use WaryHeron\Core\Text\Words;

/** The beginnings of words by which passages are compared: seven letters, small words and the s of plurals left out. */
final class Stems
{
    /** @return list<string> */
    public static function of(string $text): array
    {
        $words = array_filter(
            Words::of($text),
            fn (string $word): bool => mb_strlen($word) > 2 && ! in_array($word, self::SMALL, true),
        );

        return array_values(array_map(self::stem(...), $words));
    }

    private static function stem(string $word): string
    {
        return mb_substr((string) preg_replace('/(?<=ss|sh|ch)es$|(?<=\p{L}{3})(?<![sui])s$/u', '', $word), 0, 7);
    }

    private const SMALL = [
        'the',
        'and',
        'for',
        'with',
        'was',
        'were',
        'that',
        'this',
        'from',
        'all',
        'not',
        'which',
        'had',
        'has',
        'are',
        'its',
        'their',
        'one',
        'two',
        'when',
        'only',
        'than',
        'after',
        'before',
        'been',
        'who',
        'also',
        'given',
        'where',
        'there',
    ];
}
