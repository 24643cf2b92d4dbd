<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** What typing does to texts: whether two are the same but for that. Texts are folded to a-z and digits. */
final class Slips
{
    /** Beginnings that stand against each other; an empty one is the bare word. */
    private const OPPOSITES = [
        ['hypo', 'hyper'],
        ['in', 'de', 'un', 'ir', 'im', 'dis', 'non', 'a', 'an', 're', ''],
        ['intra', 'inter', 'extra'],
        ['pre', 'post', 'peri'],
        ['ab', 'ad'],
        ['micro', 'macro'],
        ['under', 'over'],
        ['mono', 'bi', 'uni', 'tri', 'di'],
        ['anti', 'pro'],
        ['endo', 'exo'],
        ['af', 'ef'],
        ['sub', 'super'],
        ['', 'wo', 'fe'],
        ['', 'dia'],
        ['ex', 'im', 'in'],
        ['as', 'des'],
    ];

    /**
     * The same but for typing: one edit in a word of four letters or more, two in one of eight; numbers must be the
     * same.
     */
    public static function near(string $a, string $b): bool
    {
        $lengths = [strlen($a), strlen($b)];
        $length = max($lengths);
        if (abs($lengths[0] - $lengths[1]) > 2 || $length < 4 || $length > 250) {
            return false;
        }
        $edits = levenshtein($a, $b);
        if (
            $edits > 2 ||
            ($edits === 2 && $length < 8 && ! ($lengths[0] === $lengths[1] && count_chars($a, 3) === count_chars($b, 3)))
        ) {
            return false;
        }

        return $edits === 0 || (strpbrk($a.$b, '0123456789') === false && ! self::areOpposites($a, $b));
    }

    /** Whole titles that differ by little in the run of their letters, as where words were cut or damaged. */
    public static function alike(string $a, string $b): bool
    {
        return self::close(str_replace(' ', '', $a), str_replace(' ', '', $b), 0.08);
    }

    /** Within this share of edits, and with the same numbers. */
    public static function close(string $a, string $b, float $share): bool
    {
        $most = (int) floor(max(strlen($a), strlen($b)) * $share);
        if (
            $most === 0 ||
            abs(strlen($a) - strlen($b)) > $most ||
            preg_replace('/\D+/', ' ', $a) !== preg_replace('/\D+/', ' ', $b)
        ) {
            return $a === $b;
        }

        return strlen($a) <= 250 && strlen($b) <= 250
            ? levenshtein($a, $b) <= $most
            : substr($a, 0, 200) === substr($b, 0, 200);
    }

    /** Words that a letter or two turn into their opposite, which no slip of the pen does so often. */
    private static function areOpposites(string $a, string $b): bool
    {
        foreach (self::OPPOSITES as $beginnings) {
            foreach ($beginnings as $one) {
                foreach ($beginnings as $other) {
                    if (
                        $one !== $other &&
                        str_starts_with($a, $one) &&
                        str_starts_with($b, $other) &&
                        substr($a, strlen($one)) === substr($b, strlen($other)) &&
                        strlen($a) - strlen($one) >= 2
                    ) {
                        return true;
                    }
                }
            }
        }

        return false;
    }
}
