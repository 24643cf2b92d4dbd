<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Named;

use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Scouting\Reading\RecordSentence;

/**
 * Things with names of their own: several capitalised words of which the last, or the one before "of", says what sort
 * of thing it is. Short forms are joined to them by the brackets in which they were first given, by their first
 * letters, and by a first word that only one thing has.
 */
final class ProperNames
{
    /** Words in capitals before a name that are none of it. */
    private const NO_PART = '/^(?:[Tt]he|A|An|Our|This|In|We|With|Of|For|Development|Validation|Using|Both|And|Short'.
        '|Revised|Brief|By|On|From|Measures?|Methods?|Results?) /u';

    private const SAYS_WHAT = '/\b(?:measures|consists|has|is an?|asks|developed|contains|comprises|designed to|assesses|intended)\b/iu';

    private const SMALL = '(?:of|for|and|in|on|the|to|at)';

    /**
     * @param  list<ReadRecord>  $records
     * @return list<NamedThing> those in most papers first
     */
    public static function in(array $records, NameKind $kind): array
    {
        $things = [];
        foreach ($records as $record) {
            foreach ([$record->title, ...$record->sentences] as $sentence) {
                foreach (self::fullNames($sentence, $kind) as $full) {
                    [$name, $short] = [$full->name, $full->short];
                    $key = self::key($name, $short, $things);
                    $things[$key] ??= ['names' => [], 'shorts' => [], 'why' => []];
                    $things[$key]['names'][$name] = ($things[$key]['names'][$name] ?? 0) + 1;
                    if ($short !== '') {
                        $things[$key]['shorts'][$short] = 'its short form in brackets';
                    }
                }
            }
        }
        $named = array_map(
            fn (array $thing): NamedThing => self::gathered($thing, $things, $records, $kind),
            array_values($things),
        );
        usort(
            $named,
            fn (NamedThing $a, NamedThing $b): int => [count($b->ids), $a->name] <=> [count($a->ids), $b->name],
        );

        return $named;
    }

    /** @return list<FullName> */
    private static function fullNames(RecordSentence $sentence, NameKind $kind): array
    {
        $word = "\p{Lu}[\p{L}\p{N}’'-]+";
        $small = self::SMALL;
        $nouns = $kind->nouns();
        preg_match_all(
            "/\b((?:{$word} (?:{$small} ){0,2}){1,6}(?:{$nouns})(?: of (?:{$word} ?){1,4})?)(?:\s+\((\p{Lu}[\p{Lu}\p{N}]{1,9}(?:-[\p{Lu}\p{N}]+)?)\))?/u",
            $sentence->text,
            $found,
            PREG_SET_ORDER,
        );
        $names = [];
        foreach ($found as $one) {
            $name = trim((string) preg_replace(self::NO_PART, '', trim($one[1])));
            if (preg_match('/ /', $name) === 1) {
                $names[] = new FullName($name, $one[2] ?? '');
            }
        }

        return $names;
    }

    /**
     * Under which thing a full name goes: one with the same first word and short form or nearly the same words.
     *
     * @param  array<string, array{names: array<string, int>, shorts: array<string, string>, why: array<string, string>}>  $things
     */
    private static function key(string $name, string $short, array $things): string
    {
        foreach ($things as $key => $thing) {
            foreach (array_keys($thing['names']) as $other) {
                if (
                    $other === $name ||
                    self::isAlike($other, $name) ||
                    ($short !== '' && isset($thing['shorts'][$short]))
                ) {
                    return $key;
                }
            }
        }

        return $name;
    }

    /** The same words but small ones, in any order, or all the words of the shorter in the longer. */
    private static function isAlike(string $one, string $other): bool
    {
        [$a, $b] = array_map(
            fn (string $name): array => array_diff(
                explode(' ', mb_strtolower($name)),
                ['of', 'for', 'the', 'and', 'in', 'on'],
            ),
            [$one, $other],
        );
        $shared = count(array_intersect($a, $b));

        return $shared >= 3 && $shared === min(count($a), count($b));
    }

    /**
     * @param  array{names: array<string, int>, shorts: array<string, string>, why: array<string, string>}  $thing
     * @param  array<string, array{names: array<string, int>, shorts: array<string, string>, why: array<string, string>}>  $things
     * @param  list<ReadRecord>  $records
     */
    private static function gathered(array $thing, array $things, array $records, NameKind $kind): NamedThing
    {
        arsort($thing['names']);
        $name = (string) array_key_first($thing['names']);
        $pattern = self::pattern($name, $thing, $things, $kind);
        $variants = $ids = [];
        $definition = '';
        $best = 0;
        foreach ($records as $record) {
            foreach ([$record->title, ...$record->sentences] as $sentence) {
                if (preg_match_all($pattern, $sentence->text, $found) > 0) {
                    $ids[$record->id] = true;
                    foreach ($found[0] as $written) {
                        $variants[$written] = true;
                    }
                    $worth = self::defines($sentence);
                    if ($sentence !== $record->title && $worth > $best) {
                        [$best, $definition] = [$worth, $sentence->text];
                    }
                }
            }
        }
        unset($variants[$name]);
        $variants = array_keys($variants);
        $ids = array_map(strval(...), array_keys($ids));
        sort($ids);

        return new NamedThing($name, $variants, $ids, $definition, array_map(
            fn (string $variant): string => self::why($variant, $thing),
            $variants,
        ));
    }

    /**
     * All ways in which texts may write it.
     *
     * @param  array{names: array<string, int>, shorts: array<string, string>, why: array<string, string>}  $thing
     * @param  array<string, array{names: array<string, int>, shorts: array<string, string>, why: array<string, string>}>  $things
     */
    private static function pattern(string $name, array $thing, array $things, NameKind $kind): string
    {
        $ways = array_map(
            fn (string $one): string => preg_quote($one, '/'),
            array_map(strval(...), array_keys($thing['names'])),
        );
        $shorts = array_keys($thing['shorts']);
        $letters = (string) preg_replace('/[^\p{Lu}]/u', '', (string) preg_replace('/\p{Ll}+/u', '', $name));
        if (mb_strlen($letters) > 2) {
            $shorts[] = $letters;
        }
        foreach (array_unique($shorts) as $short) {
            $ways[] = preg_quote((string) preg_replace('/-.*$/u', '', (string) $short), '/').'(?:-[\p{Lu}\p{N}]+)?';
        }
        $first = explode(' ', $name)[0];
        if (self::isOnly($first, $things) && mb_strtolower($first) !== $first && mb_strlen($first) > 4) {
            $nouns = mb_strtolower($kind->nouns());
            $ways[] = 'Short '.preg_quote($first, '/').'\b(?! \p{Lu})';
            $ways[] = preg_quote($first, '/').' (?:(?:short|long|revised) )?(?i:'.$nouns.')s?';
        }
        $rest = (string) preg_replace('/^\S+ /u', '', $name);
        if (substr_count($rest, ' ') >= 2) {
            $ways[] = preg_quote($rest, '/');
        }

        return '/(?<![\p{L}\p{N}-])(?:'.implode('|', $ways).')(?![\p{L}\p{N}])/u';
    }

    /** @param  array<string, array{names: array<string, int>, shorts: array<string, string>, why: array<string, string>}>  $things */
    private static function isOnly(string $first, array $things): bool
    {
        $having = array_filter($things, function (array $thing) use ($first): bool {
            foreach (array_keys($thing['names']) as $name) {
                if (str_starts_with((string) $name, $first.' ')) {
                    return true;
                }
            }

            return false;
        });

        return count($having) === 1 &&
            preg_match(
                '/^(?:Nurse|Alarm|Patient|Sleep|Night|Work|Quality|Care|Health|Home|Hospital|National|General|Brief|Short|Self|Visual|Daily|Safety)$/',
                $first,
            ) !== 1;
    }

    /** @param  array{names: array<string, int>, shorts: array<string, string>, why: array<string, string>}  $thing */
    private static function why(string $variant, array $thing): string
    {
        return match (true) {
            isset($thing['shorts'][$variant]) => $thing['shorts'][$variant],
            isset($thing['names'][$variant]) => 'the same words, or its short form beside it',
            preg_match('/^\p{Lu}{2,}/u', $variant) === 1 => 'its first letters',
            default => 'a first word that nothing else named here has',
        };
    }

    private static function defines(RecordSentence $sentence): int
    {
        return ($sentence->has(self::SAYS_WHAT) ? 2 : 0) +
            ($sentence->has('/\b\d+ items?\b|\bwith (?:\w+ )?(?:items|questions|factors)\b/iu') ? 2 : 0) +
            ($sentence->has('/\bwe (?:accept|conclude)|should\b/iu') ? -2 : 1);
    }
}
