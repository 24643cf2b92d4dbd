<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Distribution;

/** Student's t distribution. */
final class StudentT
{
    /** The chance of more than |t| on either side, with $df > 0 degrees of freedom. */
    public static function twoSided(float $t, float $df): float
    {
        $square = $t * $t;

        return Beta::regularised($df / ($df + $square), $square / ($df + $square), $df / 2, 0.5);
    }

    /** What is exceeded with a chance of 1 − p, for 0.5 < p < 1. */
    public static function quantile(float $p, float $df): float
    {
        $tail = 2 * (1 - $p);
        $high = Normal::quantile($p);
        while (self::twoSided($high, $df) > $tail) {
            $high *= 2;
        }

        return Root::between(0.0, $high, fn (float $t): float => self::twoSided($t, $df) - $tail);
    }
}
