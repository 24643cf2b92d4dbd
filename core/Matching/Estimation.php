<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/**
 * Learns the weights from the compared pairs themselves, without being told which are of one publication: expectation and maximisation
 * over the patterns of agreement (Dempster, Laird & Rubin 1977; for record linkage Winkler 1988). The starting values count as so many pairs
 * seen before, so that a small review does not unlearn what holds in general.
 */
final class Estimation
{
    /** How many pairs the starting values stand for. */
    private const BEFORE = 1500.0;

    private const ROUNDS = 25;

    private const ENOUGH = 1e-6;

    /**
     * @param  array<int, int>  $patterns  how many pairs showed each pattern of levels (Comparison::pattern)
     */
    public static function weights(array $patterns, Weights $start): Weights
    {
        ksort($patterns);
        $fields = MatchField::cases();
        $levels = array_map(fn (int $pattern): array => (new Comparison($pattern))->levels(), array_keys($patterns));
        $counts = array_values($patterns);
        $chances = array_map(fn (MatchField $field): array => $start->chances[$field->value], $fields);
        $before = $chances;
        $odds = 2 ** $start->prior;
        $share = $odds / (1 + $odds);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $sums = array_map(fn (array $of): array => array_map(fn (array $c): array => [$c[0] * self::BEFORE, $c[1] * self::BEFORE], $of), $before);
            $matched = 0.0;
            $all = 0.0;
            foreach ($levels as $i => $pattern) {
                $m = $share;
                $u = 1 - $share;
                foreach ($pattern as $place => $level) {
                    if ($level !== 0) {
                        $m *= $chances[$place][$level][0];
                        $u *= $chances[$place][$level][1];
                    }
                }
                $same = $m / ($m + $u) * $counts[$i];
                $matched += $same;
                $all += $counts[$i];
                foreach ($pattern as $place => $level) {
                    if ($level !== 0) {
                        $sums[$place][$level][0] += $same;
                        $sums[$place][$level][1] += $counts[$i] - $same;
                    }
                }
            }
            $moved = 0.0;
            foreach ($sums as $place => $of) {
                $totals = [array_sum(array_column($of, 0)), array_sum(array_column($of, 1))];
                foreach ($of as $level => $sum) {
                    $new = [max(1e-6, $sum[0] / $totals[0]), max(1e-6, $sum[1] / $totals[1])];
                    $moved = max($moved, abs($new[0] - $chances[$place][$level][0]), abs($new[1] - $chances[$place][$level][1]));
                    $chances[$place][$level] = $new;
                }
            }
            $share = ($matched + 0.2 * self::BEFORE) / ($all + self::BEFORE);
            if ($moved < self::ENOUGH) {
                break;
            }
        }

        return new Weights(array_combine(array_map(fn (MatchField $field): string => $field->value, $fields), $chances), log($share / (1 - $share), 2));
    }
}
