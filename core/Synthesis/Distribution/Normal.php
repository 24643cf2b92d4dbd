<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Distribution;

/** The standard normal distribution: tails by erfc, as the incomplete gamma function gives it. */
final class Normal
{
    /** Φ⁻¹(0.975). */
    public const Z = 1.959963984540054;

    /** 2Φ(−|z|). */
    public static function twoSided(float $z): float
    {
        return Gamma::upper(0.5, $z * $z / 2);
    }

    /** Φ(z). */
    public static function below(float $z): float
    {
        $tail = self::twoSided($z) / 2;

        return $z < 0 ? $tail : 1 - $tail;
    }

    /**
     * Φ⁻¹(p) for 0 < p < 1: a rational start (Abramowitz & Stegun 1964, 26.2.23), then Halley's steps on the tail, which
     * keep their digits however far out.
     */
    public static function quantile(float $p): float
    {
        $tail = min($p, 1 - $p);
        $t = sqrt(-2 * log($tail));
        $z = $t - (2.515517 + $t * (0.802853 + $t * 0.010328)) / (1 + $t * (1.432788 + $t * (0.189269 + $t * 0.001308)));
        for ($i = 0; $i < 4; $i++) {
            // the sum of what is left to be gone, over the density
            $step = (self::twoSided($z) / 2 - $tail) * ($z < 0 ? -1 : 1) * sqrt(2 * M_PI) * exp($z * $z / 2);
            $z += $step / (1 + $step * $z / 2);
        }

        return $p < 0.5 ? -$z : $z;
    }
}
