<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

use WaryHeron\Core\Synthesis\Distribution\Gamma;

/** By how much a standardised difference is too large in small samples (Hedges 1981). */
final class SmallSamples
{
    /**
     * J = Γ(f/2) / (√(f/2) Γ((f − 1)/2)); for large f by its expansion, as logarithms of Γ lose digits there.
     *
     * @param  float  $f  degrees of freedom, above 1
     */
    public static function exact(float $f): float
    {
        return $f > 1e4
            ? 1 - 3 / (4 * $f) - 7 / (32 * $f * $f)
            : exp(Gamma::ln($f / 2) - Gamma::ln(($f - 1) / 2)) / sqrt($f / 2);
    }

    /** J = 1 − 3 / (4f − 1). */
    public static function approximate(float $f): float
    {
        return 1 - 3 / (4 * $f - 1);
    }
}
