<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/**
 * Learns the weights from the compared pairs themselves, without being told which are of one publication: expectation
 * and maximisation over the patterns of agreement (Dempster, Laird & Rubin 1977; for record linkage Winkler 1988).
 * The starting values count as so many pairs seen before, so that a small review does not unlearn what holds in
 * general.
 */
final class Estimation
{
    /** How many pairs the starting values stand for. */
    private const BEFORE = 1500.0;

    private const ROUNDS = 25;

    private const ENOUGH = 1e-6;

    /**
     * @param  array{float, float}  $chances
     * @return array{float, float}
     */
    private static function counted(array $chances): array
    {
        return [$chances[0] * self::BEFORE, $chances[1] * self::BEFORE];
    }

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
            /** @var list<array<int, array{float, float}>> $sums */
            $sums = array_map(fn (array $of): array => array_map(self::counted(...), $of), $before);
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
                $same = ($m / ($m + $u)) * $counts[$i];
                $matched += $same;
                $all += $counts[$i];
                foreach ($pattern as $place => $level) {
                    if ($level !== 0) {
                        [$ofMatches, $ofOthers] = $sums[$place][$level];
                        $sums[$place][$level] = [$ofMatches + $same, $ofOthers + $counts[$i] - $same];
                    }
                }
            }
            $moved = 0.0;
            foreach ($sums as $place => $of) {
                $m = array_sum(array_map(fn (array $sum): float => $sum[0], $of));
                $u = array_sum(array_map(fn (array $sum): float => $sum[1], $of));
                foreach ($chances[$place] as $level => $old) {
                    $new = [max(1e-6, $of[$level][0] / $m), max(1e-6, $of[$level][1] / $u)];
                    $moved = max($moved, abs($new[0] - $old[0]), abs($new[1] - $old[1]));
                    $chances[$place][$level] = $new;
                }
            }
            $share = ($matched + 0.2 * self::BEFORE) / ($all + self::BEFORE);
            if ($moved < self::ENOUGH) {
                break;
            }
        }

        return new Weights(
            array_combine(array_map(fn (MatchField $field): string => $field->value, $fields), $chances),
            log($share / (1 - $share), 2),
        );
    }
}
