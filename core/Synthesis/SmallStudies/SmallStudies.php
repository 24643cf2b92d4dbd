<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\SmallStudies;

use WaryHeron\Core\Synthesis\Distribution\Normal;
use WaryHeron\Core\Synthesis\Distribution\StudentT;
use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\Pool\Weighted;

/** Whether small studies tell another story: Egger et al. 1997; Begg & Mazumdar 1994. Of fewer than three: null. */
final class SmallStudies
{
    /**
     * The regression of estimates on their standard errors, weighted by inverse variance: y/SE on 1/SE, of which the
     * intercept is the bias. Deviations from the means keep the digits that sums of squares lose.
     *
     * @param  list<Study>  $studies
     */
    public static function egger(array $studies): Egger
    {
        $k = count($studies);
        $x = array_map(fn (Study $one): float => 1 / sqrt($one->variance), $studies);
        $y = array_map(fn (Study $one): float => $one->estimate / sqrt($one->variance), $studies);
        if ($k < 3 || count(array_unique(array_map(fn (Study $one): float => $one->variance, $studies))) < 2) {
            return new Egger();
        }
        [$meanX, $meanY] = [array_sum($x) / $k, array_sum($y) / $k];
        $sxx = $sxy = $rest = 0.0;
        foreach ($x as $i => $one) {
            $sxx += ($one - $meanX) ** 2;
            $sxy += ($one - $meanX) * ($y[$i] - $meanY);
        }
        $slope = $sxy / $sxx;
        foreach ($x as $i => $one) {
            $rest += ($y[$i] - $meanY - $slope * ($one - $meanX)) ** 2;
        }
        $bias = $meanY - $slope * $meanX;
        $se = sqrt($rest / ($k - 2) * (1 / $k + $meanX ** 2 / $sxx));
        $t = $se > 0 ? $bias / $se : null;

        return new Egger($bias, $se, $t, $k - 2, $t === null ? null : StudentT::twoSided($t, $k - 2), $slope);
    }

    /**
     * Rank correlation of the estimates, freed of their mean, with their variances.
     *
     * @param  list<Study>  $studies
     */
    public static function begg(array $studies): Begg
    {
        $k = count($studies);
        if ($k < 3) {
            return new Begg($k);
        }
        $weighted = Weighted::of($studies);
        $u = array_map(
            fn (Study $one): float => ($one->estimate - $weighted->mean) / sqrt($one->variance - 1 / $weighted->sum),
            $studies,
        );
        $kendall = new Kendall($u, array_map(fn (Study $one): float => $one->variance, $studies));
        $variance = $kendall->variance();
        if ($variance <= 0) {
            return new Begg($k);
        }
        $z = $kendall->s / sqrt($variance);

        return new Begg($k, $kendall->s, $kendall->tauB(), $variance, $z, Normal::twoSided($z));
    }
}
