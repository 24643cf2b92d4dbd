<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

use WaryHeron\Core\Synthesis\Distribution\Normal;

/** An estimate that a report gives with its standard error or its confidence interval. */
final class Reported
{
    /**
     * On a ratio scale the estimate and both limits are logged first, while a standard error is taken to be of the log
     * already. If both are given, the standard error counts.
     *
     * @param  ?float  $level  of the interval, as 0.95
     */
    public static function effect(
        bool $isRatio,
        ?float $estimate,
        ?float $standardError,
        ?float $low,
        ?float $high,
        ?float $level = null,
    ): Effect {
        $scaled = fn (?float $x): ?float => $isRatio && $x !== null ? ($x > 0 ? log($x) : null) : $x;
        $y = $scaled($estimate);
        $se = $standardError ?? self::errorOf($scaled($low), $scaled($high), $level ?? 0.95);

        return $y === null || $se === null || $se <= 0 ? Effect::undefined() : Effect::of($y, $se * $se);
    }

    private static function errorOf(?float $low, ?float $high, float $level): ?float
    {
        return $low === null || $high === null || $low >= $high || $level <= 0 || $level >= 1
            ? null
            : ($high - $low) / (2 * Normal::quantile((1 + $level) / 2));
    }
}
