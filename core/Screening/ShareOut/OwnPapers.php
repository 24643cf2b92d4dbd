<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\ShareOut;

use WaryHeron\Core\Text\Words;

/** Whether somebody is among the authors of a publication: nobody judges their own papers. */
final class OwnPapers
{
    /**
     * By family name and first initial, as indexes shorten names; a namesake with the same initial is taken for the
     * person, which costs no more than that somebody else judges.
     *
     * @param  string  $person  as they call themselves, "Ines N. Okafor"
     * @param  string  $authors  short names by semicolons, "Okafor IN; Haas M"
     */
    public static function isBy(string $person, string $authors): bool
    {
        $names = self::names($person);
        if ($names === null) {
            return false;
        }
        foreach (explode(';', $authors) as $author) {
            $words = Words::of($author);
            $initials = count($words) > 1 ? (string) array_pop($words) : '';
            if ($initials !== '' && implode(' ', $words) === $names->family && $initials[0] === $names->initial) {
                return true;
            }
        }

        return false;
    }

    /** Null where only one name is known. */
    public static function names(string $person): ?PersonName
    {
        $words = array_values(
            array_filter(
                Words::of((string) preg_replace('/\b(?:Dr|Prof|Mr|Ms|Mrs|PhD|MD|MSc)\b\.?/u', '', $person)),
                fn (string $word): bool => $word !== '',
            ),
        );
        if (count($words) < 2) {
            return null;
        }
        $from = count($words) - 1;
        // "van de Laar": what stands small before the family name belongs to it
        preg_match_all('/\S+/u', trim($person), $typed);
        while ($from > 1 && preg_match('/^\p{Ll}/u', $typed[0][$from - 1] ?? 'X') === 1) {
            $from--;
        }

        return new PersonName(implode(' ', array_slice($words, $from)), $words[0][0]);
    }
}
