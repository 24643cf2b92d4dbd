<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

use WaryHeron\Core\Synthesis\Distribution\Normal;
use WaryHeron\Core\Synthesis\Distribution\StudentT;

/** The standard deviation of one group from what a report gives instead. Null where that gives none above zero. */
final class Spread
{
    public static function fromStandardError(?float $n, ?float $error): ?float
    {
        return $n === null || $error === null || $n <= 0 ? null : self::positive($error * sqrt($n));
    }

    /**
     * From the confidence interval of a mean.
     *
     * @param  float  $level  as 0.95
     * @param  bool  $byT  by the quantile of t, as for small groups; else by the normal one
     */
    public static function fromInterval(?float $n, ?float $low, ?float $high, float $level, bool $byT): ?float
    {
        if ($n === null || $low === null || $high === null || $n <= 0 || $level <= 0 || $level >= 1 || ($byT && $n <= 1)) {
            return null;
        }
        $p = (1 + $level) / 2;

        return self::positive(
            sqrt($n) * ($high - $low) / (2 * ($byT ? StudentT::quantile($p, $n - 1) : Normal::quantile($p))),
        );
    }

    public static function positive(float $sd): ?float
    {
        return is_finite($sd) && $sd > 0 ? $sd : null;
    }
}
