<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** Lists of names that only commas part, which part the names themselves, too. */
final class NameList
{
    /** "A.", "A. B.", "A.-B." or "AB". */
    private const INITIALS = '/^(?:\p{Lu}[.\s-]*){1,4}$/u';

    /**
     * Names as most files have them, "Family, Given, Suffix", also where several with initials stand in one place; a
     * body may have commas in its name.
     *
     * @param  list<string>  $texts
     * @return list<Name>
     */
    public static function inverted(array $texts): array
    {
        $names = [];
        foreach ($texts as $text) {
            $among = self::among(array_map(trim(...), explode(',', $text)));
            foreach (isset($among[0][1]) ? $among : [[$text]] as $parts) {
                $names[] = Name::inverted(implode(', ', $parts));
            }
        }

        return $names;
    }

    /**
     * Each name by itself, "Family, Given" or as it stands, of the parts between the commas: "Kolbe, A., Ito, K." and
     * "Anna Kolbe, Ken Ito, Mo Ude" are lists, "Kolbe, Jr, Anna" is a name.
     *
     * @param  list<string>  $parts
     * @return ?list<non-empty-list<string>> the parts of each name; null where all of them are one
     */
    public static function among(array $parts): ?array
    {
        $count = count($parts);
        $pairs = array_chunk($parts, 2);
        $are = fn (string $pattern, array $some): bool => count(preg_grep($pattern, $some) ?: []) === count($some);

        return match (true) {
            $count > 3 && $count % 2 === 0 && $are(self::INITIALS, array_column($pairs, 1)) => $pairs,
            $count > 2 && $are('/^[^=]*\S\s+\S[^=]*$/', $parts) => array_chunk($parts, 1),
            default => null,
        };
    }
}
