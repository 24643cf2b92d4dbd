<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Distribution\Normal;
use WaryHeron\Core\Synthesis\Distribution\StudentT;

/** Whether small studies tell another story: Egger et al. 1997; Begg & Mazumdar 1994. Of fewer than three: null. */
final class SmallStudies
{
    /**
     * The regression of estimates on their standard errors, weighted by inverse variance.
     *
     * @param  list<Study>  $studies
     * @return array{intercept: ?float, se: ?float, t: ?float, df: ?int, p: ?float, slope: ?float} intercept is the bias,
     *     the coefficient of the standard error
     */
    public static function egger(array $studies): array
    {
        $k = count($studies);
        $variances = array_map(fn (Study $one): float => $one->variance, $studies);
        if ($k < 3 || count(array_unique($variances)) < 2) {
            return ['intercept' => null, 'se' => null, 't' => null, 'df' => null, 'p' => null, 'slope' => null];
        }
        [$bias, $slope, $se] = self::regression($studies);
        $t = $se > 0 ? $bias / $se : null;

        return [
            'intercept' => $bias,
            'se' => $se,
            't' => $t,
            'df' => $k - 2,
            'p' => $t === null ? null : StudentT::twoSided($t, $k - 2),
            'slope' => $slope,
        ];
    }

    /**
     * y/SE on 1/SE: its intercept is the bias. Deviations from the means keep the digits that sums of squares lose.
     *
     * @param  list<Study>  $studies
     * @return array{float, float, float} bias, slope, and the standard error of the bias
     */
    private static function regression(array $studies): array
    {
        $k = count($studies);
        $x = array_map(fn (Study $one): float => 1 / sqrt($one->variance), $studies);
        $y = array_map(fn (Study $one): float => $one->estimate / sqrt($one->variance), $studies);
        [$meanX, $meanY] = [array_sum($x) / $k, array_sum($y) / $k];
        $sxx = $sxy = 0.0;
        foreach ($x as $i => $one) {
            $sxx += ($one - $meanX) ** 2;
            $sxy += ($one - $meanX) * ($y[$i] - $meanY);
        }
        $slope = $sxy / $sxx;
        $bias = $meanY - $slope * $meanX;
        $rest = 0.0;
        foreach ($x as $i => $one) {
            $rest += ($y[$i] - $meanY - $slope * ($one - $meanX)) ** 2;
        }

        return [$bias, $slope, sqrt($rest / ($k - 2) * (1 / $k + $meanX ** 2 / $sxx))];
    }

    /**
     * Rank correlation of the estimates, freed of their mean, with their variances.
     *
     * @param  list<Study>  $studies
     * @return array{k: int, S: ?int, tau_b: ?float, var_S: ?float, z: ?float, p: ?float}
     */
    public static function begg(array $studies): array
    {
        $k = count($studies);
        $none = ['k' => $k, 'S' => null, 'tau_b' => null, 'var_S' => null, 'z' => null, 'p' => null];
        if ($k < 3) {
            return $none;
        }
        $weighted = Weighted::of($studies);
        $u = array_map(
            fn (Study $one): float => ($one->estimate - $weighted->mean) / sqrt($one->variance - 1 / $weighted->sum),
            $studies,
        );
        $kendall = new Kendall($u, array_map(fn (Study $one): float => $one->variance, $studies));
        $variance = $kendall->variance();
        if ($variance <= 0) {
            return $none;
        }
        $z = $kendall->s / sqrt($variance);

        return [
            'k' => $k,
            'S' => $kendall->s,
            'tau_b' => $kendall->tauB(),
            'var_S' => $variance,
            'z' => $z,
            'p' => Normal::twoSided($z),
        ];
    }
}
