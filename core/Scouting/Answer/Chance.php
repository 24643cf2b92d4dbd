<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

/** Whether chance explains what a sentence tells, by its p value or its interval. */
final class Chance
{
    private const NUMBER = '[−–-]?\d+(?:[.·]\d+)?';

    /** True: chance may explain it. False: hardly. Null: it does not say. */
    public static function of(string $text): ?bool
    {
        $interval = self::interval($text);
        if ($interval !== null) {
            return $interval;
        }
        if (preg_match('/\b[Pp](?: for trend)?\s*([=<>≤])\s*(0?[.·]\d+)/u', $text, $found) === 1) {
            $p = Figure::value($found[2]);

            return $found[1] === '>' ? $p >= 0.01 : $p > 0.05;
        }

        return null;
    }

    private static function interval(string $text): ?bool
    {
        $number = self::NUMBER;
        $isFound = preg_match(
            "/(?:CI|confidence interval|interval)\b[^\d−–-]{0,30}(?:(?:from|of) )?".
                "({$number})\s*(?:to|–|—|,|and|-)\s*({$number})(?![\d.]*\s?% ?CI)/u",
            $text,
            $found,
        ) === 1 || preg_match("/\(\d+(?:[.·]\d+)?[,;]?\s+({$number})\s*(?:to|–)\s*({$number})\)/u", $text, $found) === 1;
        if (! $isFound) {
            return null;
        }
        [$low, $high] = array_map(Figure::value(...), [$found[1], $found[2]]);
        $null = preg_match('/\b(?:ratio|OR|RR|HR|IRR|odds|relative risk|hazard)\b/u', $text) === 1 ? 1.0 : 0.0;

        return $low <= $null && $high >= $null;
    }
}
