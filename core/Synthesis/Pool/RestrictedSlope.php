<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

/**
 * The slope of the restricted log-likelihood in τ² (Viechtbauer 2005), over plain lists: it is asked for thousands of
 * times where studies are left out one by one.
 */
final class RestrictedSlope
{
    /**
     * @param  non-empty-list<Study>  $studies
     * @return \Closure(float): float
     */
    public static function of(array $studies): \Closure
    {
        [$estimates, $variances] = [array_column($studies, 'estimate'), array_column($studies, 'variance')];

        return function (float $tau2) use ($estimates, $variances): float {
            $weights = [];
            $sum = $total = $squares = 0.0;
            foreach ($variances as $i => $variance) {
                $weights[] = $weight = 1 / ($variance + $tau2);
                $sum += $weight;
                $squares += $weight * $weight;
                $total += $weight * $estimates[$i];
            }
            $mean = $total / $sum;
            $spread = 0.0;
            foreach ($weights as $i => $weight) {
                $away = $weight * ($estimates[$i] - $mean);
                $spread += $away * $away;
            }

            return 0.5 * ($spread - $sum + $squares / $sum);
        };
    }
}
