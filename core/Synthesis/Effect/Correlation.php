<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

/** A correlation of n pairs, by Fisher's Z (Fisher 1921). */
final class Correlation
{
    public static function effect(?float $r, ?float $n): Effect
    {
        return $r === null || $n === null || abs($r) >= 1 || $n <= 3
            ? Effect::undefined()
            : Effect::of(atanh($r), 1 / ($n - 3));
    }

    public static function back(?float $z): ?float
    {
        return $z === null ? null : tanh($z);
    }
}
