<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\NameList;

/**
 * Lists of names as BibTeX writes them: "First von Last", "von Last, First" and "von Last, Jr, First", joined by "and";
 * bodies in braces.
 */
final class BibtexNames
{
    /** Where a list breaks off, or the name before does. */
    private const AND_OTHERS = '/(?:^|[\s~]|,\s*)(?:others|et[\s~]+al\.?|u\.[\s~]*a\.)\s*$/i';

    private const GENERATION = '/^(?:jr|sr)\.?$|^(?:II|III|IV)$/i';

    /** @return list<Name> */
    public static function read(string $list): array
    {
        $names = [];
        // some part names by semicolons, which are no letters' entities
        foreach (self::split($list, '/\G(?:\s+and\s+|\s*;\s+)/i') as $text) {
            $named = trim((string) preg_replace(self::AND_OTHERS, '', $text));
            $names = $named === '' ? $names : [...$names, ...self::names($named)];
            if ($named !== trim($text)) {
                $names[] = new Name('et al.');
            }
        }

        return $names;
    }

    /** @return list<string> the parts of a list that are no names, as plain text; what stands in braces is one */
    public static function list(string $text, string $separator = '/\G\s+and\s+/i'): array
    {
        return array_values(
            array_filter(
                array_map(self::plain(...), self::split($text, $separator)),
                fn (string $one): bool => $one !== '',
            ),
        );
    }

    /** @param  list<Name>  $names */
    public static function written(array $names): string
    {
        return implode(
            ' and ',
            array_map(function (Name $name): string {
                $family = Latex::encoded($name->family);
                if ($name->given === '' && $name->suffix === '') {
                    return $name->family === 'et al.' ? 'others' : "{{$family}}";
                }
                $protected = fn (string $part): string => preg_match('/,|;\s|\sand\s/i', $part) === 1
                    ? "{{$part}}"
                    : $part;
                $parts =
                    $name->suffix === ''
                        ? [$family, Latex::encoded($name->given)]
                        : [$family, Latex::encoded($name->suffix), Latex::encoded($name->given)];

                return implode(', ', array_map($protected, $parts));
            }, $names),
        );
    }

    /**
     * One name, or several that only commas part: "Kolbe, A., Ito, K." and "Anna Kolbe, Ken Ito, Mo Ude".
     *
     * @return list<Name>
     */
    private static function names(string $text): array
    {
        if (substr_count($text, ',') < 2) {
            return [self::name($text)];
        }
        $names = NameList::among(array_map(trim(...), self::split($text, '/\G\s*,\s*/')));

        return $names === null
            ? [self::name($text)]
            : array_map(
                fn (array $parts): Name => isset($parts[1])
                    ? new Name(self::plain($parts[0]), self::plain($parts[1]))
                    : self::name($parts[0]),
                $names,
            );
    }

    private static function name(string $text): Name
    {
        if (preg_match('/^\{((?:[^{}]|\{[^{}]*\})*)\}$/s', $text, $body) === 1) {
            return new Name(self::plain($body[1]));
        }
        $parts = array_map(self::plain(...), self::split($text, '/\G\s*,\s*/'));
        if (preg_match('/^\s*(?:family|given|prefix|suffix)\s*=/i', $text) === 1) {
            return self::byParts($parts);
        }

        return match (count($parts)) {
            0, 1 => self::inOrder($text),
            2 => new Name($parts[0], $parts[1]),
            default => new Name($parts[0], implode(', ', array_slice($parts, 2)), $parts[1]),
        };
    }

    /** A name without commas: a body's, or a person's with the given names first. */
    private static function inOrder(string $text): Name
    {
        $words = self::split($text, '/\G[\s~]+/');
        $whole = self::plain(implode(' ', $words));
        if (count($words) === 1 || Name::isBody((string) preg_replace('/\(.*\)/', '', $whole))) {
            return new Name($whole);
        }
        if (count($words) > 2 && preg_match(self::GENERATION, $words[count($words) - 1]) === 1) {
            $suffix = array_pop($words);
            $named = self::name(implode(' ', $words));

            return new Name($named->family, $named->given, self::plain($suffix));
        }

        return self::person($words);
    }

    /**
     * The family name starts at the first word in lower case, else it is the last word, unless that is initials.
     *
     * @param  array<int, string>  $words
     */
    private static function person(array $words): Name
    {
        $start = count($words) - 1;
        if (preg_match('/^(?:\p{Lu}|(?:\p{Lu}\.-?)+)$/u', self::plain($words[$start])) === 1) {
            return Name::indexed(self::plain(implode(' ', $words)));
        }
        foreach (array_slice($words, 0, -1, true) as $at => $word) {
            if ($at > 0 && preg_match('/^\p{Ll}/u', self::plain($word)) === 1) {
                $start = $at;
                break;
            }
        }
        $family = implode(' ', array_slice($words, $start));

        return new Name(self::plain($family), self::plain(implode(' ', array_slice($words, 0, $start))));
    }

    /**
     * A name that says of each part what it is, as BibLaTeX has it: "family=Kolbe, given=Anna, prefix=von".
     *
     * @param  list<string>  $parts
     */
    private static function byParts(array $parts): Name
    {
        $said = [];
        foreach ($parts as $part) {
            [$name, $value] = array_map(trim(...), [...explode('=', $part, 2), '']);
            $said[strtolower($name)] ??= trim($value, '"');
        }

        return new Name(
            trim(($said['prefix'] ?? '').' '.($said['family'] ?? '')),
            $said['given'] ?? '',
            $said['suffix'] ?? '',
        );
    }

    private static function plain(string $latex): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', Latex::decoded($latex)));
    }

    /**
     * @param  string  $separator  a pattern anchored with \G, which counts outside braces only
     * @return list<string>
     */
    private static function split(string $text, string $separator): array
    {
        $parts = [''];
        $depth = 0;
        for ($at = 0, $length = strlen($text); $at < $length; $at++) {
            $sign = $text[$at];
            if ($sign === '\\') {
                $parts[count($parts) - 1] .= substr($text, $at++, 2);

                continue;
            }
            $depth += $sign === '{' ? 1 : ($sign === '}' ? -1 : 0);
            if (
                $depth <= 0 &&
                ($sign === ',' || $sign === ';' || $sign === '~' || ctype_space($sign)) &&
                preg_match($separator, $text, $found, 0, $at) === 1
            ) {
                $parts[] = '';
                $at += strlen($found[0]) - 1;

                continue;
            }
            $parts[count($parts) - 1] .= $sign;
        }

        return $parts;
    }
}
