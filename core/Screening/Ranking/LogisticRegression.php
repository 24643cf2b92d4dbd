<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

use Random\Randomizer;

/**
 * Logistic regression with an L2 penalty, fitted by dual coordinate descent (Yu, Huang & Lin 2011, Machine Learning 85,
 * algorithm 5).
 *
 * Minimises ½·|w|² + Σ Cᵢ·log(1 + exp(−yᵢ·w·xᵢ)) with y = ±1; the constant is a feature of value 1 and penalised
 * alike. The rarer class weighs as much as the other: Cᵢ = C·n / (2·n of its class). The chance handed in orders the
 * passes; the optimum does not depend on it.
 */
final class LogisticRegression
{
    public const STRENGTH = 1.0;

    private const PASSES = 100;

    /** Largest change of a dual variable, in parts of its bound, in a pass that ends the fitting. */
    private const PRECISION = 1e-6;

    private const NEWTON_STEPS = 60;

    /**
     * @param  list<array<int, float>>  $vectors  sparse, by place
     * @param  list<bool>  $relevant
     *
     * @throws NothingToLearn If only one class is there.
     */
    public static function fit(
        array $vectors,
        array $relevant,
        Randomizer $chance,
        float $strength = self::STRENGTH,
    ): LogisticFit {
        $n = count($vectors);
        $positive = count(array_filter($relevant));
        if ($positive === 0 || $positive === $n) {
            throw new NothingToLearn('There is nothing to tell apart: what was judged is all of one kind.');
        }
        $bounds = [($strength * $n) / (2 * ($n - $positive)), ($strength * $n) / (2 * $positive)];
        $weights = [];
        $constant = 0.0;
        [$alpha, $rest, $squares] = [[], [], []];
        foreach ($vectors as $i => $vector) {
            $bound = $bounds[$relevant[$i] ? 1 : 0];
            $alpha[$i] = min(0.001 * $bound, 1e-8);
            $rest[$i] = $bound - $alpha[$i];
            $sign = $relevant[$i] ? 1.0 : -1.0;
            $squares[$i] = 1.0;
            foreach ($vector as $place => $x) {
                $weights[$place] = ($weights[$place] ?? 0.0) + $sign * $alpha[$i] * $x;
                $squares[$i] += $x * $x;
            }
            $constant += $sign * $alpha[$i];
        }
        $order = range(0, $n - 1);
        for ($pass = 0; $pass < self::PASSES; $pass++) {
            $largest = 0.0;
            foreach ($chance->shuffleArray($order) as $i) {
                $y = $relevant[$i] ? 1.0 : -1.0;
                $dot = $constant;
                foreach ($vectors[$i] as $place => $x) {
                    $dot += $weights[$place] * $x;
                }
                $bound = $bounds[$relevant[$i] ? 1 : 0];
                // the smaller of the two variables that add up to the bound is solved for, which keeps the logarithms
                // exact
                $swapped = 0.5 * $squares[$i] * ($rest[$i] - $alpha[$i]) + $y * $dot < 0;
                $old = $swapped ? $rest[$i] : $alpha[$i];
                $new = self::solved($squares[$i], ($swapped ? -1 : 1) * $y * $dot, $old, $bound);
                [$alpha[$i], $rest[$i]] = $swapped ? [$bound - $new, $new] : [$new, $bound - $new];
                $step = ($swapped ? -1 : 1) * ($new - $old) * $y;
                $largest = max($largest, abs($new - $old) / $bound);
                if ($step !== 0.0) {
                    foreach ($vectors[$i] as $place => $x) {
                        $weights[$place] += $step * $x;
                    }
                    $constant += $step;
                }
            }
            if ($largest < self::PRECISION) {
                break;
            }
        }

        return new LogisticFit($weights, $constant);
    }

    /**
     * The minimum of z·log z + (c−z)·log(c−z) + ½·a·(z−old)² + b·(z−old) for 0 < z < c, by Newton steps that stay
     * inside.
     */
    private static function solved(float $a, float $b, float $old, float $c): float
    {
        $z = $c - $old < 0.5 * $c ? 0.1 * $old : $old;
        for ($step = 0; $step < self::NEWTON_STEPS; $step++) {
            $slope = $a * ($z - $old) + $b + log($z / ($c - $z));
            if (abs($slope) < 1e-9) {
                break;
            }
            $next = $z - $slope / ($a + $c / ($c - $z) / $z);
            $z = match (true) {
                $next <= 0 => $z * 0.1,
                $next >= $c => $c - ($c - $z) * 0.1,
                default => $next,
            };
        }

        return $z;
    }
}
