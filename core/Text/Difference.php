<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/** Where a text differs from another, to the letter. */
final class Difference
{
    private const MOST_WORDS = 1200;

    /**
     * The text in pieces, each with whether the other text lacks it.
     *
     * @return list<DifferentPiece>
     */
    public static function of(string $text, string $other): array
    {
        if ($text === $other || $text === '') {
            return $text === '' ? [] : [new DifferentPiece($text, false)];
        }
        $words = preg_split('/(?<=\s)/u', $text) ?: [$text];
        $others = preg_split('/(?<=\s)/u', $other) ?: [$other];
        if (count($words) * count($others) > self::MOST_WORDS ** 2) {
            return [new DifferentPiece($text, false)];
        }
        $pieces = [];
        $run = [[], []];
        foreach (self::aligned($words, $others) as $both) {
            [$mine, $its] = [$both->mine, $both->its];
            if ($mine !== null && $its !== null) {
                self::close($pieces, $run);
                $pieces[] = new DifferentPiece($mine, false);
            } else {
                $run = $mine === null ? [$run[0], [...$run[1], (string) $its]] : [[...$run[0], $mine], $run[1]];
            }
        }
        self::close($pieces, $run);

        return self::joined($pieces);
    }

    /**
     * The two word lists side by side by their longest common subsequence; null where one lacks the other's word.
     *
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<AlignedWords>
     */
    private static function aligned(array $a, array $b): array
    {
        $m = count($a);
        $n = count($b);
        $bare = fn (string $word): string => rtrim($word);
        $ka = array_map($bare, $a);
        $kb = array_map($bare, $b);
        $lengths = array_fill(0, $m + 1, array_fill(0, $n + 1, 0));
        for ($i = $m - 1; $i >= 0; $i--) {
            for ($j = $n - 1; $j >= 0; $j--) {
                $lengths[$i][$j] =
                    $ka[$i] === $kb[$j]
                        ? $lengths[$i + 1][$j + 1] + 1
                        : max($lengths[$i + 1][$j], $lengths[$i][$j + 1]);
            }
        }
        $pairs = [];
        for ($i = 0, $j = 0; $i < $m || $j < $n;) {
            if ($i < $m && $j < $n && $ka[$i] === $kb[$j]) {
                $pairs[] = new AlignedWords($a[$i++], $b[$j++]);
            } elseif ($j >= $n || ($i < $m && $lengths[$i + 1][$j] >= $lengths[$i][$j + 1])) {
                $pairs[] = new AlignedWords($a[$i++], null);
            } else {
                $pairs[] = new AlignedWords(null, $b[$j++]);
            }
        }

        return $pairs;
    }

    /**
     * Within words that stand against each other, what they have in common at both ends is not marked.
     *
     * @param  list<DifferentPiece>  $pieces
     * @param  array{list<string>, list<string>}  $run
     */
    private static function close(array &$pieces, array &$run): void
    {
        $mine = mb_str_split(implode('', $run[0]));
        $its = mb_str_split(implode('', $run[1]));
        $run = [[], []];
        if ($mine === []) {
            return;
        }
        $least = min(count($mine), count($its));
        for ($start = 0; $start < $least && $mine[$start] === $its[$start]; $start++);
        for (
            $end = 0;
            $end < $least - $start && $mine[count($mine) - 1 - $end] === $its[count($its) - 1 - $end];
            $end++
        );
        foreach (
            [
                [array_slice($mine, 0, $start), false],
                [array_slice($mine, $start, count($mine) - $start - $end), true],
                [array_slice($mine, count($mine) - $end, $end), false],
            ] as [$letters, $differs]
        ) {
            if ($letters !== []) {
                $pieces[] = new DifferentPiece(implode('', $letters), $differs);
            }
        }
    }

    /**
     * @param  list<DifferentPiece>  $pieces
     * @return list<DifferentPiece>
     */
    private static function joined(array $pieces): array
    {
        $joined = [];
        foreach ($pieces as $piece) {
            $last = array_pop($joined);
            $isOne = $last !== null && $last->differs === $piece->differs;
            if ($last !== null && ! $isOne) {
                $joined[] = $last;
            }
            $joined[] = $isOne ? new DifferentPiece($last->text.$piece->text, $piece->differs) : $piece;
        }

        return $joined;
    }
}
