<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Distribution;

/** The χ² distribution. */
final class ChiSquared
{
    /** The chance of more than x, with $df > 0 degrees of freedom. */
    public static function above(float $x, float $df): float
    {
        return Gamma::upper($df / 2, $x / 2);
    }

    /** The value below which a share p lies, for 0 < p < 1. */
    public static function quantile(float $p, float $df): float
    {
        $high = $df + 10;
        while (Gamma::lower($df / 2, $high / 2) < $p) {
            $high *= 2;
        }

        return Root::between(0.0, $high, fn (float $x): float => Gamma::lower($df / 2, $x / 2) - $p);
    }
}
