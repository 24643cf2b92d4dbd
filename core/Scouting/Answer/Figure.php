<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

/** Which way two figures or a ratio in a sentence point. */
final class Figure
{
    private const NUMBER = '(\d+(?:[.·]\d+)?)';

    private const SET_AGAINST = '(?:\b(?:and|against|versus|vs?|compared with|but|as opposed to)\b'.
        '|,(?= (?:without|of those|in (?:the )?controls?)\b))';

    /** 1 for a ratio above one, -1 for one below, 0 where there is none. */
    public static function ratio(string $text): int
    {
        $ways = [
            '/\b(?:ratio|OR|RR|HR|IRR)\b[^\d]{0,15}(\d+[.·]\d+)/u',
            '/\b(?:hazard|odds|relative risk)\b[^\d]{0,40}\b(?:was|were|of)\s(\d+[.·]\d+)/u',
            '/(\d+(?:[.·]\d+)?) times (?:that|the|as|more|higher|those)\b/u',
        ];
        foreach ($ways as $way) {
            if (preg_match($way, $text, $found) === 1) {
                return self::value($found[1]) <=> 1.0;
            }
        }

        return 0;
    }

    /**
     * Of two figures that are set against each other, whether those with it have more.
     *
     * @param  callable(string): bool  $isWithout
     */
    public static function compared(string $text, callable $isWithout): int
    {
        $unit = '\s*(?:%|per cent|percent|hours?|minutes?|points?|days?)?';
        $change = self::change($text, $unit);
        if ($change !== null) {
            return $change;
        }
        $figure = self::NUMBER.$unit;
        $pair = "/^(.*?){$figure}([^;]{0,80}?)".self::SET_AGAINST."([^;\d]{0,40}){$figure}([^;,.]{0,60})/u";
        if (preg_match($pair, $text, $found) !== 1) {
            return 0;
        }
        [, $before, $one, $after, $joint, $other, $last] = $found;
        $way = self::value($one) <=> self::value($other);
        $isNamedAfter = preg_match('/\b(?:in|with|for|among|on|of) /u', $after) === 1;
        [$first, $second] = $isNamedAfter ? [$after, $last] : [mb_substr($before, -60), $joint];

        return $isWithout($first) && ! $isWithout($second) ? -$way : $way;
    }

    /** Of a figure before and one after, which way it went; null where there are none. */
    private static function change(string $text, string $unit): ?int
    {
        $pairs = [
            '/\bfrom (?:a (?:mean|median) of )?'.self::NUMBER.'[^.;]{0,60}?\bto '.self::NUMBER.'/u',
            '/'.self::NUMBER.$unit.'(?: \p{L}+){0,3}? (?:before)\b[^;]{0,60}?\b(?:and|to)\b[^;\d]{0,40}'.
                self::NUMBER.$unit.'[^;]{0,30}\b(?:after|afterwards|later|year after)/u',
            '/\b[Bb]efore\b[^\d]{0,80}?'.self::NUMBER.$unit.
                '[^\d]{0,120}?\b(?:after|afterwards)\b[^\d]{0,40}'.self::NUMBER.'/u',
        ];
        foreach ($pairs as $pattern) {
            if (preg_match($pattern, $text, $found) === 1) {
                return self::value($found[2]) <=> self::value($found[1]);
            }
        }

        return null;
    }

    /** The sign of a difference that is told with those who have it first, as is the custom. */
    public static function difference(string $text): int
    {
        $isTold = preg_match('/\bdifferences?\b[^.;]{0,80}?(?:was|were|of|,|:|is|\))?\s([−–-]?\d+(?:[.·]\d+)?)/u', $text, $found) === 1;

        return $isTold ? self::value($found[1]) <=> 0.0 : 0;
    }

    /** Two figures for two groups that nobody tested and that hardly differ. */
    public static function isNearlyAlike(string $text): bool
    {
        $number = self::NUMBER;
        if (preg_match("/{$number}\s*(?:%|per cent)[^;]{0,60}\band\b[^;\\d]{0,40}{$number}\s*(?:%|per cent)/u", $text, $found) !== 1) {
            return false;
        }
        [$one, $other] = [self::value($found[1]), self::value($found[2])];

        return abs($one - $other) <= 0.12 * max($one, $other);
    }

    /** A number as papers print it, with a raised point or a long minus. */
    public static function value(string $told): float
    {
        return (float) strtr($told, ['·' => '.', '−' => '-', '–' => '-']);
    }
}
