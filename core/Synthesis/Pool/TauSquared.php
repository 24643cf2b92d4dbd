<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Distribution\ChiSquared;
use WaryHeron\Core\Synthesis\Distribution\Interval;
use WaryHeron\Core\Synthesis\Distribution\Root;

/**
 * The variance between studies, of two or more.
 *
 * Sources: DerSimonian & Laird 1986; Paule & Mandel 1982; Viechtbauer 2005 (restricted maximum likelihood); Viechtbauer
 * 2007 (interval by the profile of Q).
 */
final class TauSquared
{
    /** @param  non-empty-list<Study>  $studies */
    public static function derSimonianLaird(array $studies): float
    {
        $fixed = Weighted::of($studies);

        return max(0.0, ($fixed->q() - count($studies) + 1) / ($fixed->sum - $fixed->powers(2) / $fixed->sum));
    }

    /** @param  non-empty-list<Study>  $studies */
    public static function pauleMandel(array $studies): float
    {
        return self::whereQIs($studies, count($studies) - 1.0);
    }

    /**
     * The τ² at which Q(τ²) falls to a value; 0 where it is no higher without any.
     *
     * @param  non-empty-list<Study>  $studies
     */
    public static function whereQIs(array $studies, float $target): float
    {
        $excess = fn (float $tau2): float => Weighted::of($studies, $tau2)->q() - $target;
        if ($excess(0.0) <= 0) {
            return 0.0;
        }
        $high = max(self::spread($studies), 1e-300);
        while ($excess($high) > 0) {
            $high *= 4;
        }

        return Root::between(0.0, $high, $excess);
    }

    /**
     * @param  non-empty-list<Study>  $studies
     * @return Interval of 95%
     */
    public static function interval(array $studies): Interval
    {
        $df = count($studies) - 1;

        return new Interval(
            self::whereQIs($studies, ChiSquared::quantile(0.975, $df)),
            self::whereQIs($studies, ChiSquared::quantile(0.025, $df)),
        );
    }

    /**
     * Where the restricted likelihood is highest, of all its maxima at or above zero.
     *
     * @param  non-empty-list<Study>  $studies
     */
    public static function restrictedMaximumLikelihood(array $studies): float
    {
        $best = 0.0;
        $highest = Weighted::of($studies)->restrictedLikelihood();
        foreach (self::maxima($studies) as $tau2) {
            $likelihood = Weighted::of($studies, $tau2)->restrictedLikelihood();
            if ($likelihood > $highest) {
                [$highest, $best] = [$likelihood, $tau2];
            }
        }

        return $best;
    }

    /**
     * Where the slope of the restricted likelihood turns from up to down. Several such places come from few studies of
     * very different size, so that fewer places are looked at where there are many.
     *
     * @param  non-empty-list<Study>  $studies
     * @return \Generator<int, float>
     */
    private static function maxima(array $studies): \Generator
    {
        $slope = RestrictedSlope::of($studies);
        // beyond the sum of squares around any point of theirs the slope only falls
        $end = 2 * self::spread($studies) * count($studies);
        $steps = count($studies) <= 30 ? 60 : 12;
        [$from, $up] = [0.0, $slope(0.0) > 0];
        for ($i = $steps; $i >= 0 && $end > 0; $i--) {
            $to = $end * 10 ** (-9 * $i / $steps);
            $goesUp = $slope($to) > 0;
            if ($up && ! $goesUp) {
                yield Root::between($from, $to, $slope);
            }
            [$from, $up] = [$to, $goesUp];
        }
    }

    /**
     * The square of the distance between the lowest and the highest estimate.
     *
     * @param  non-empty-list<Study>  $studies
     */
    private static function spread(array $studies): float
    {
        $estimates = array_map(fn (Study $one): float => $one->estimate, $studies);

        return (max($estimates) - min($estimates)) ** 2;
    }
}
