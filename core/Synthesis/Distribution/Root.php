<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Distribution;

/** Roots of functions of one number, where two places are known that lie on either side. */
final class Root
{
    private const STEPS = 300;

    /**
     * By bisection and secants in turn (Brent 1973 without his inverse quadratics), to the last digits of a double.
     *
     * @param  \Closure(float): float  $of  with different signs at the ends
     */
    public static function between(float $low, float $high, \Closure $of): float
    {
        [$atLow, $atHigh] = [$of($low), $of($high)];
        if ($atHigh === 0.0) {
            return $high;
        }
        for ($i = 0; $i < self::STEPS; $i++) {
            if ($atLow === 0.0 || abs($high - $low) <= 4e-16 * max(abs($low), abs($high))) {
                return $low;
            }
            $secant = $low - $atLow * ($high - $low) / ($atHigh - $atLow);
            $isWithin = $i % 3 !== 2 && is_finite($secant) && $secant > min($low, $high) && $secant < max($low, $high);
            $middle = $isWithin ? $secant : ($low + $high) / 2;
            $atMiddle = $of($middle);
            if ($atMiddle === 0.0) {
                return $middle;
            }
            [$low, $atLow, $high, $atHigh] = ($atMiddle < 0) === ($atLow < 0)
                ? [$middle, $atMiddle, $high, $atHigh]
                : [$low, $atLow, $middle, $atMiddle];
        }

        return ($low + $high) / 2;
    }
}
