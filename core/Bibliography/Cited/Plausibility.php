<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Cited;

use WaryHeron\Core\Bibliography\Name;

/**
 * @internal How well a reading of a reference hangs together. The same line can often be read in several ways; the one
 *     whose parts look most like what they are said to be is taken.
 */
final class Plausibility
{
    /** What no title begins with: names, initials, a word that goes on. */
    private const NO_BEGINNING = '/^(?:[\p{Ll}&](?![\p{Lu}\d-])[^\s]*\s|(?:and|et|und|y|in)\s|\p{Lu}\.\s|(?:\p{Lu}\.){2}|\W*$'
        .'|\d{1,3}\s\p{Lu}|[^\p{L}\p{N}“"‘«\'¿¡(\[<]|(?:Eds?|Hrsg)\b)/u';

    /** Names and nothing else. */
    private const NAMES = '/^(?:\p{Lu}[\p{L}’-]+|\p{Lu}\.)(?:\s\p{Lu}\.)*\s\p{Lu}[\p{L}’-]+(?:,? (?:and|et|und|&) \p{Lu}\S+ \p{Lu}[\p{L}’-]+)$/u';

    /** A word by itself at the beginning, or with a year behind it, may be somebody's given name. */
    private const GIVEN = '/^\p{Lu}\p{L}{1,12}(?:\.\s|\s\((?:\p{L}+\s)?\d{4}\))/u';

    /** A year by itself, or numbers of a volume, within a title. */
    private const OVERLONG = '/[.,;(]\s?\(?(?:1[89]|20)\d\d[a-z]?\)?[.,;:]|\d\(\d+\):|\b[Vv]ol\. \d|\bpp\. ?\d|\. In:? /u';

    private const LONG = 250;

    /** Forms of names that are those of bodies. */
    private const OF_BODIES = ['body', 'issuer', 'body ahead'];

    private const IN_FULL = '/^\p{Lu}\p{Ll}[\p{L}’-]*\s(?:\p{Lu}\.\s)*\p{Lu}[\p{L}’-]+$/u';

    public static function of(CitedWork $work): int
    {
        return self::ofPlace($work->told?->place) +
            self::ofTitle($work->title, $work->told?->isQuoted === true) +
            self::ofNames($work->by) +
            ($work->year === null ? 0 : 2);
    }

    /** @param  string  $form  of the names of most others in the list; empty where that is not known */
    public static function ofStyle(?string $own, string $form): int
    {
        $isOther = $own === 'as called' && ! in_array($form, ['', 'as called', 'in full'], true);

        return ($form !== '' && $own === $form ? 2 : 0) - ($isOther ? 2 : 0);
    }

    private static function ofPlace(?CitedPlace $place): int
    {
        return match (true) {
            $place === null => 0,
            $place->volume.$place->pages !== '' => $place->journal === '' ? 1 : 3 - substr_count($place->journal, ', '),
            $place->publisher !== '' && $place->place !== '' => 2,
            default => 1,
        };
    }

    private static function ofTitle(string $title, bool $isQuoted): int
    {
        $length = mb_strlen($title);

        return $title === '' ? 0 : ($isQuoted ? 3 : 0) +
            ($length > 14 && $length < self::LONG ? 1 : 0) -
            ($length < 6 || $length > self::LONG ? 2 : 0) -
            (preg_match('/^\p{Lu}[\p{L}’-]+$/u', $title) === 1 ? 1 : 0) -
            (preg_match(self::NO_BEGINNING, $title) === 1 ? 3 : 0) -
            (preg_match(self::NAMES, $title) === 1 ? 3 : 0) -
            (preg_match(self::GIVEN, $title) === 1 ? 1 : 0) -
            (preg_match(self::OVERLONG, $title) === 1 ? 3 : 0);
    }

    /** Whether what is taken for given and family names are the words of a body. */
    private static function areBodies(CitedNames $names): bool
    {
        return array_filter($names->names, fn (Name $one): bool => Name::isBody("{$one->given} {$one->family}")) !== [];
    }

    private static function ofNames(?CitedNames $names): int
    {
        return match (true) {
            $names === null => -2,
            $names->areCertain => 2,
            in_array($names->form, self::OF_BODIES, true) => 0,
            self::areBodies($names) => -2,
            // “Ora Lind, Pim Ost” are two
            $names->form === 'in full' && preg_match(self::IN_FULL, $names->names[0]->family) === 1 => 0,
            default => 1,
        };
    }
}
