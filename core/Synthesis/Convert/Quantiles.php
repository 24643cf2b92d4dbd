<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

use WaryHeron\Core\Synthesis\Distribution\Normal;

/** Mean and standard deviation from quantiles (Wan et al., BMC Med Res Methodol 2014;14:135). */
final class Quantiles
{
    /**
     * From the least, the median and the greatest (C1), the quartiles and the median (C3), or all five (C2), by what is
     * given.
     *
     * @param  list<?float>  $five  least, lower quartile, median, upper quartile, greatest
     */
    public static function meanAndSd(?float $n, array $five): MeanAndSd
    {
        [$a, $q1, $m, $q3, $b] = $five;
        $given = array_values(array_filter($five, fn (?float $one): bool => $one !== null));
        $sorted = $given;
        sort($sorted);
        if ($n === null || $n < 2 || $m === null || $sorted !== $given) {
            return new MeanAndSd();
        }
        $ends = $a === null || $b === null ? null : [$a, $b];
        $quartiles = $q1 === null || $q3 === null ? null : [$q1, $q3];

        return new MeanAndSd(self::mean($ends, $m, $quartiles), self::sd($n, $ends, $quartiles));
    }

    /**
     * @param  ?array{float, float}  $ends
     * @param  ?array{float, float}  $quartiles
     */
    private static function mean(?array $ends, float $m, ?array $quartiles): ?float
    {
        return match (true) {
            $ends !== null && $quartiles !== null => (array_sum($ends) + 2 * array_sum($quartiles) + 2 * $m) / 8,
            $ends !== null => (array_sum($ends) + 2 * $m) / 4,
            $quartiles !== null => (array_sum($quartiles) + $m) / 3,
            default => null,
        };
    }

    /**
     * @param  ?array{float, float}  $ends
     * @param  ?array{float, float}  $quartiles
     */
    private static function sd(float $n, ?array $ends, ?array $quartiles): ?float
    {
        $byEnds = $ends === null ? 0.0 : ($ends[1] - $ends[0]) / (2 * Normal::quantile(($n - 0.375) / ($n + 0.25)));
        $byQuartiles = $quartiles === null
            ? 0.0
            : ($quartiles[1] - $quartiles[0]) / (2 * Normal::quantile((0.75 * $n - 0.125) / ($n + 0.25)));

        return Spread::positive($ends !== null && $quartiles !== null ? ($byEnds + $byQuartiles) / 2 : $byEnds + $byQuartiles);
    }
}
