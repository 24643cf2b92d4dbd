<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Printed;

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\NameList;

/** The names before a title in a list of references, in whatever style. */
final class CitedNames
{
    /** “A. B. Kolbe” */
    private const CALLED = '/^((?:\p{Lu}\.[ -]?)+)(\p{L}[\p{L}’\'-]+.*)$/u';

    /** @return list<Name> */
    public static function of(string $by): array
    {
        // the full stop that ends them; where they have others, initials have them
        $by = substr_count($by, '.') === 1 && ! str_ends_with($by, 'et al.') ? rtrim($by, '.') : $by;
        preg_match('/^(.*?)(?:[ ,;]+(et al)\.?)?(?:[ ,;]+(?:for|on behalf of) the (\p{Lu}.+))?$/us', $by, $parts);
        $names = self::apart($parts[1] ?? $by);
        $more = array_filter([($parts[2] ?? '') === '' ? '' : 'et al.', $parts[3] ?? '']);
        $isInFull = preg_match('/, \p{Lu}\p{Ll}/u', $names[0] ?? '') === 1;

        return [
            ...array_map(fn (string $name): Name => self::name($name, $isInFull), $names),
            ...array_map(fn (string $name): Name => new Name($name), array_values($more)),
        ];
    }

    /** @return list<string> */
    private static function apart(string $by): array
    {
        return preg_match(self::CALLED, $by) === 1
            ? preg_split('/,\s*(?:(?:and|&)\s+)?|\s+(?:and|&)\s+/u', $by, -1, PREG_SPLIT_NO_EMPTY) ?: []
            : NameList::written($by);
    }

    /**
     * “Kolbe A”, “Kolbe, A. B.” or “A. B. Kolbe”.
     *
     * @param  bool  $isInFull  whether others follow the first as they are called: “Kolbe, Anna, and Mirela Haas”
     */
    private static function name(string $text, bool $isInFull): Name
    {
        $isCalled = preg_match(self::CALLED, $text, $parts) === 1 ||
            ($isInFull && preg_match('/^([^,]*\p{Ll} )(\p{Lu}[\p{L}’\'-]+)$/u', $text, $parts) === 1);

        return $isCalled ? new Name($parts[2], trim($parts[1])) : Name::indexed($text);
    }
}
