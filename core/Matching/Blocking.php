<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/**
 * Finds the pairs worth comparing without comparing all: records share a block where they share a key. Large blocks,
 * such as all editorials, are parted by year and author.
 */
final class Blocking
{
    /** A block of more is parted further; one that stays larger is compared among neighbours only. */
    private const LARGEST = 10;

    private const NEIGHBOURS = 12;

    private const PASSES = [
        'doi',
        'titleStart',
        'titleEnd',
        'titleMiddle',
        'place',
        'authorPage',
        'volumePage',
        'authorYear',
    ];

    /**
     * @param  list<Fingerprint>  $prints  sorted by key, so that the order of input does not matter
     * @param  ?array<int, true>  $fresh  places of records of which one has to be in each pair; null for all
     * @return \Generator<int, array{int, int}> pairs of places, the smaller first, each once
     */
    public static function pairs(array $prints, ?array $fresh = null): \Generator
    {
        $count = count($prints);
        $seen = [];
        foreach (self::PASSES as $pass) {
            $blocks = [];
            foreach ($prints as $at => $print) {
                foreach (self::$pass($print) as $key) {
                    if ($key !== '') {
                        // two keys with one checksum cost a comparison, no more
                        $blocks[crc32($key)][] = $at;
                    }
                }
            }
            foreach ($blocks as $members) {
                if (count($members) < 2) {
                    continue;
                }
                foreach (self::parted($members, $prints) as [$a, $b]) {
                    if ($fresh !== null && ! isset($fresh[$a]) && ! isset($fresh[$b])) {
                        continue;
                    }
                    $pair = $a * $count + $b;
                    if (! isset($seen[$pair])) {
                        $seen[$pair] = true;
                        yield [$a, $b];
                    }
                }
            }
        }
    }

    /**
     * @param  list<int>  $members
     * @param  list<Fingerprint>  $prints
     * @return \Generator<int, array{int, int}>
     */
    private static function parted(array $members, array $prints): \Generator
    {
        if (count($members) <= self::LARGEST) {
            yield from self::all($members);

            return;
        }
        foreach (
            [
                fn (Fingerprint $p): string => substr(str_replace(' ', '', $p->title->text), 0, 60)." {$p->volume}",
                fn (Fingerprint $p): string => ($p->authors[0][1] ?? '')." {$p->year}",
            ] as $finer
        ) {
            $parts = [];
            foreach ($members as $at) {
                $parts[$finer($prints[$at])][] = $at;
            }
            foreach ($parts as $part) {
                if (count($part) <= self::LARGEST) {
                    yield from self::all($part);
                } else {
                    usort(
                        $part,
                        fn (int $a, int $b): int => self::order($prints[$a]) <=> self::order($prints[$b]) ?: $a <=> $b,
                    );
                    foreach ($part as $place => $at) {
                        foreach (array_slice($part, $place + 1, self::NEIGHBOURS) as $other) {
                            yield $at < $other ? [$at, $other] : [$other, $at];
                        }
                    }
                }
            }
        }
    }

    /**
     * @param  list<int>  $members
     * @return \Generator<int, array{int, int}>
     */
    private static function all(array $members): \Generator
    {
        $count = count($members);
        for ($i = 0; $i < $count; $i++) {
            for ($j = $i + 1; $j < $count; $j++) {
                yield [$members[$i], $members[$j]];
            }
        }
    }

    private static function order(Fingerprint $p): string
    {
        return "{$p->title->text}|".($p->authors[0][1] ?? '')."|{$p->year}|{$p->volume}|{$p->pages->first}";
    }

    /** @return list<string> */
    private static function doi(Fingerprint $p): array
    {
        return $p->doi === '' ? [] : [$p->doi];
    }

    /** @return list<string> */
    private static function titleStart(Fingerprint $p): array
    {
        $starts = array_map(fn (string $title): string => substr(str_replace(' ', '', $title), 0, 24), [
            $p->title->text,
            ...$p->otherTitles,
        ]);

        return array_values(array_unique(array_filter($starts, fn (string $start): bool => $start !== '')));
    }

    /** @return list<string> */
    private static function titleEnd(Fingerprint $p): array
    {
        $bare = str_replace(' ', '', $p->title->text);

        return strlen($bare) < 30 ? [] : [substr($bare, -22)." {$p->year}"];
    }

    /**
     * Words in the middle, which a slip at the start or a lost end leaves.
     *
     * @return list<string>
     */
    private static function titleMiddle(Fingerprint $p): array
    {
        $words = array_values(
            array_filter(explode(' ', $p->title->text), fn (string $word): bool => strlen($word) >= 4),
        );
        if (count($words) < 4) {
            return [];
        }
        $head = array_slice($words, 0, 6);

        return [implode(' ', array_slice($head, 2, 4))." {$p->year}"];
    }

    /** @return list<string> */
    private static function place(Fingerprint $p): array
    {
        return $p->volume === '' || $p->pages->first === null || $p->journals === []
            ? []
            : ["{$p->journals[0][0]} {$p->volume} {$p->pages->first}"];
    }

    /** @return list<string> */
    private static function volumePage(Fingerprint $p): array
    {
        return $p->year === null || $p->pages->first === null ? [] : ["{$p->year} {$p->pages->first}"];
    }

    /** @return list<string> */
    private static function authorPage(Fingerprint $p): array
    {
        return $p->pages->first === null || $p->authors === [] ? [] : ["{$p->authors[0][1]} {$p->pages->first}"];
    }

    /** @return list<string> */
    private static function authorYear(Fingerprint $p): array
    {
        if ($p->year === null || $p->authors === []) {
            return [];
        }
        $longest = '';
        foreach (explode(' ', $p->title->text) as $word) {
            $longest = strlen($word) > strlen($longest) ? $word : $longest;
        }

        return strlen($longest) < 5 ? [] : ["{$p->authors[0][1]} {$p->year} {$longest}"];
    }
}
