<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Text;

use WaryHeron\Core\Text\Words;

/**
 * Signs within a word that stand for letters: * for any number of them, ? for just one, ~ for one or none. They are
 * the signs of our own language; each dialect has its own.
 */
final class Mask
{
    public const ANY = '*';

    public const ONE = '?';

    public const MAYBE = '~';

    public const SIGNS = self::ANY.self::ONE.self::MAYBE;

    /** So many letters or digits a masked word needs, or it would stand for half the dictionary. */
    public const LETTERS = 3;

    public static function isIn(string $text): bool
    {
        return strpbrk($text, self::SIGNS) !== false;
    }

    /** @return list<string> words of the text with their masks, folded as Words folds them */
    public static function words(string $text): array
    {
        return preg_match_all('/[\p{L}\p{N}*?~]*[\p{L}\p{N}][\p{L}\p{N}*?~]*/u', Words::fold($text), $found) > 0
            ? $found[0]
            : [];
    }

    public static function letters(string $text): int
    {
        return (int) preg_match_all('/[\p{L}\p{N}]/u', $text);
    }

    /** A pattern without delimiters for whole words, in PCRE and in PostgreSQL alike. */
    public static function pattern(string $word): string
    {
        return '^'.
            strtr((string) preg_replace('/\*+/', '*', $word), [
                self::ANY => '.*',
                self::ONE => '.',
                self::MAYBE => '.?',
            ]).
            '$';
    }

    /** The letters before the first mask. */
    public static function beginning(string $word): string
    {
        return substr($word, 0, strcspn($word, self::SIGNS));
    }
}
