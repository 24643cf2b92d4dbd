<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** Lists of names that only commas part, which part the names themselves, too. */
final class NameList
{
    /** "A.", "A. B.", "A.-B." or "AB". */
    private const INITIALS = '/^(?:\p{Lu}[.\s-]*){1,4}$/u';

    /** "Kolbe A, Ito KM": the initials behind each, without a comma before them. */
    private const INDEXED = '/^(?:[^,]+ (?:\p{Lu}[.\-]{0,2}){1,4}(?:,\s*|$)){2,}$/u';

    private const IN_FULL = '/^\p{L}[\p{L}’\'-]+(?:\s+\p{L}[\p{L}.’\'-]*){0,4}\s+\p{L}[\p{L}’\'-]+$/u';

    /**
     * The names of a cell or a line as people write them: parted by semicolons, bars or lines, or else by commas, "and"
     * and "&".
     *
     * @return list<string> each as it stands
     */
    public static function written(string $text): array
    {
        $text = (string) preg_replace('/^\s*\[(.*)\]\s*$/su', '$1', $text);
        $parts = preg_split('/[;|\r\n]+/', $text) ?: [];
        if (count($parts) === 1 && ! self::isBody($text)) {
            // “Kolbe, A., Ito, K., … Ude, M.” leaves some out
            $parts = preg_split('/,?\s+(?:and|&|(?:\.\.\.|…)\s*&?)\s+/u', $text) ?: [];
            $isList = count($parts) > 1;
            $parts = array_merge(...array_map(fn (string $one): array => self::byCommas($one, $isList), $parts));
        }

        return array_values(array_filter(array_map(trim(...), $parts), fn (string $one): bool => $one !== ''));
    }

    /** “Ministry of Light and Lamps” is one. */
    private static function isBody(string $text): bool
    {
        return ! str_contains($text, ',') && preg_match('/\b(?:of|for|on|the)\b/u', $text) === 1;
    }

    /**
     * @param  bool  $isList  whether others follow, so that two names in full are no family name and its given one
     * @return list<string>
     */
    private static function byCommas(string $text, bool $isList): array
    {
        $parts = array_map(trim(...), explode(',', $text));
        $parts = array_values(array_filter($parts, fn (string $one): bool => $one !== ''));
        if (preg_match(self::INDEXED, trim($text, ' ,')) === 1) {
            return $parts;
        }
        $areInFull = $isList && count($parts) === 2 && count(preg_grep(self::IN_FULL, $parts) ?: []) === 2;
        $names = $areInFull ? array_chunk($parts, 1) : self::among($parts);

        return $names === null ? [$text] : array_map(fn (array $one): string => implode(', ', $one), $names);
    }

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
        foreach (array_merge([], ...array_map(self::bySemicolons(...), $texts)) as $text) {
            if (substr_count($text, ',') < 2) {
                $names[] = Name::inverted($text);

                continue;
            }
            $plain = (string) preg_replace('/,\s+(?:&|and)\s+/u', ', ', $text);
            $among = self::among(array_map(trim(...), explode(',', $plain)));
            foreach (isset($among[0][1]) ? $among : [[$text]] as $parts) {
                $names[] = Name::inverted(implode(', ', $parts));
            }
        }

        return $names;
    }

    /** @return list<string> a name has none, so what one parts are names */
    private static function bySemicolons(string $text): array
    {
        $parts = array_map(trim(...), explode(';', $text));

        return array_values(array_filter($parts, fn (string $one): bool => $one !== '')) ?: [''];
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
        $isNobody = fn (string $one): bool => Name::isBody($one) || self::isBody($one);
        $arePartsOfOne = count(array_filter($parts, $isNobody)) === $count;

        return match (true) {
            $arePartsOfOne => null,
            $count > 3 && $count % 2 === 0 && $are(self::INITIALS, array_column($pairs, 1)) => $pairs,
            $count > 2 && $are('/^[^=]*\S\s+\S[^=]*$/', $parts) => array_chunk($parts, 1),
            default => null,
        };
    }
}
