<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Distribution;

/**
 * The regularised incomplete beta function, to about 13 digits.
 *
 * Source: Abramowitz & Stegun 1964, 26.5.8, evaluated by Lentz, Appl Opt 1976.
 */
final class Beta
{
    private const STEPS = 100_000;

    private const TINY = 1e-300;

    /**
     * I_x(a, b) for a, b > 0.
     *
     * @param  float  $y  1 − x, given by itself where it is small, so that no digits are lost
     */
    public static function regularised(float $x, float $y, float $a, float $b): float
    {
        if ($x <= 0 || $y <= 0) {
            return $x <= 0 ? 0.0 : 1.0;
        }
        $front = exp(Gamma::ln($a + $b) - Gamma::ln($a) - Gamma::ln($b) + $a * log($x) + $b * log($y));

        return $x < ($a + 1) / ($a + $b + 2)
            ? $front * self::fraction($x, $a, $b) / $a
            : 1 - $front * self::fraction($y, $b, $a) / $b;
    }

    private static function fraction(float $x, float $a, float $b): float
    {
        $c = 1.0;
        $d = 1 / self::away(1 - ($a + $b) * $x / ($a + 1));
        $h = $d;
        for ($m = 1; $m < self::STEPS; $m++) {
            $even = $m * ($b - $m) * $x / (($a + 2 * $m - 1) * ($a + 2 * $m));
            $d = 1 / self::away(1 + $even * $d);
            $c = self::away(1 + $even / $c);
            $h *= $d * $c;
            $odd = -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1));
            $d = 1 / self::away(1 + $odd * $d);
            $c = self::away(1 + $odd / $c);
            $h *= $d * $c;
            if (abs($d * $c - 1) < 1e-16) {
                break;
            }
        }

        return $h;
    }

    private static function away(float $x): float
    {
        return abs($x) < self::TINY ? self::TINY : $x;
    }
}
