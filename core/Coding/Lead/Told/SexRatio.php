<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Told;

use WaryHeron\Core\Coding\Lead\Figures;
use WaryHeron\Core\Coding\Lead\Passage;

/** Women and men set beside each other in figures, without a count of all. */
final class SexRatio
{
    private const WOMEN = '(?:f|females?|women|girls|mothers)';

    private const MEN = '(?:m|males?|men|boys|fathers)';

    private const NUMBER = '('.Figures::PATTERN.')';

    /** @return list<Share> of women, none where nothing of the kind is said */
    public static function in(string $text): array
    {
        return self::counted($text) ?: self::inWords($text);
    }

    /**
     * A row such as “Sex (F/M) 30/10 15/5”.
     *
     * @return ?Share null where its name does not say which is which
     */
    public static function inRow(Passage $row): ?Share
    {
        [$women, $men] = [self::WOMEN, self::MEN];
        $label = $row->cells[0] ?? '';
        $isFirst = preg_match("/\b{$women}\s?[\/:]\s?{$men}\b/iu", $label) === 1;
        if (! $isFirst && preg_match("/\b{$men}\s?[\/:]\s?{$women}\b/iu", $label) !== 1) {
            return null;
        }
        [$one, $other] = self::sums($row);
        $share = 100 * ($isFirst ? $one : $other) / max(1.0, $one + $other);

        return $one + $other > 1 ? new Share($share, 1.3, 'counted from women and men') : null;
    }

    /** @return array{float, float} of all its columns, or of the one that is of all */
    private static function sums(Passage $row): array
    {
        $sums = [0.0, 0.0];
        foreach (array_slice($row->cells, 1) as $i => $cell) {
            if (preg_match('/^\s*(\d[\d,]*)\s*[\/:]\s*(\d[\d,]*)\s*$/u', $cell, $found) === 1) {
                $told = [(float) Figures::value($found[1]), (float) Figures::value($found[2])];
                if (preg_match('/\b(?:all|total|overall)\b/iu', $row->heads[$i + 1] ?? '') === 1) {
                    return $told;
                }
                $sums = [$sums[0] + $told[0], $sums[1] + $told[1]];
            }
        }

        return $sums;
    }

    /** @return list<Share> “a ratio of women to men of 3:1”, “(male/female): 15/45”, “45 F, 15 M” */
    private static function counted(string $text): array
    {
        foreach ([[self::WOMEN, self::MEN], [self::MEN, self::WOMEN]] as [$one, $other]) {
            $told = self::pair(self::setBeside($one, $other), $text);
            if ($told !== null && array_sum($told) > 1) {
                $women = $one === self::WOMEN ? $told[0] : $told[1];

                return [new Share(100 * $women / array_sum($told), 1.5, 'counted from women and men')];
            }
        }

        return [];
    }

    /** @return list<string> patterns that catch how many of the one there are, and of the other */
    private static function setBeside(string $one, string $other): array
    {
        $numbers = self::NUMBER.'\s*(?::|\/|to)\s*'.self::NUMBER;
        [$first, $second] = array_map(fn (string $who): string => $who === self::WOMEN ? 'F' : 'M', [$one, $other]);

        return [
            "/\bratio of {$one} to {$other}(?: was| is| of|:)? {$numbers}/iu",
            "/\b{$one}\s?(?:\/|:|[ -]to[ -])\s?{$other}\b(?: ratio)?[^\d.;]{0,12}{$numbers}/iu",
            "/\b{$one} \((?:n\s*=\s*)?".self::NUMBER."\)[^.;]{0,12}\b{$other} \((?:n\s*=\s*)?".self::NUMBER.'\)/iu',
            "/\b{$one} outnumbered {$other} by {$numbers}/iu",
            '/(?<![\d.])'.self::NUMBER."\s?{$first}\b(?:,|;|\/| and)?\s?".self::NUMBER."\s?{$second}\b/u",
        ];
    }

    /** @return list<Share> “a proportion of women of 0.75”, “as many women as men” */
    private static function inWords(string $text): array
    {
        $women = self::WOMEN;
        if (preg_match("/\bproportion of {$women} (?:was|of|being) (0[.·]\d+)/iu", $text, $found) === 1) {
            return [new Share(100 * (float) Figures::value($found[1]), 1.5, 'a share is given')];
        }
        if (preg_match("/\bas many {$women} as ".self::MEN.'\b/iu', $text) === 1) {
            return [new Share(50.0, 1.0, 'as many women as men')];
        }

        return self::ofSoMany($text);
    }

    /** @return list<Share> “three in four were women”, “all but four of the 64 nurses were women” */
    private static function ofSoMany(string $text): array
    {
        [$number, $women] = [self::NUMBER, self::WOMEN];
        $in = "(?<![\d.]){$number} (?:in|out of)(?: every)? {$number}\b[^.;]{0,30}?";
        $allBut = "\ball but {$number} of (?:the |our )?{$number} \p{L}+";
        foreach ([[$in, 0.0], [$allBut, 100.0]] as [$some, $all]) {
            $told = self::pair(["/{$some} ?\b(?:were|was|are) {$women}\b/iu"], $text);
            if ($told !== null && $told[1] > $told[0]) {
                return [new Share(abs($all - 100 * $told[0] / $told[1]), 0.8, 'so many in so many')];
            }
        }

        return [];
    }

    /**
     * @param  list<string>  $patterns
     * @return ?array{float, float} what the first that matches catches
     */
    private static function pair(array $patterns, string $text): ?array
    {
        foreach ($patterns as $pattern) {
            if (preg_match($pattern, $text, $found) === 1) {
                return [(float) Figures::value($found[1]), (float) Figures::value($found[2])];
            }
        }

        return null;
    }
}
