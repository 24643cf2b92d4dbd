<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

/** The SD of a change from the SDs before and after it and their correlation, and back. Undefined is null. */
final class Change
{
    public static function sd(?float $before, ?float $after, ?float $r): ?float
    {
        return $before === null || $after === null || $r === null || abs($r) > 1 || $before < 0 || $after < 0
            ? null
            : Spread::positive(sqrt(max(0.0, $before ** 2 + $after ** 2 - 2 * $r * $before * $after)));
    }

    public static function correlation(?float $before, ?float $after, ?float $change): ?float
    {
        if ($before === null || $after === null || $change === null || $before <= 0 || $after <= 0 || $change < 0) {
            return null;
        }
        $r = ($before ** 2 + $after ** 2 - $change ** 2) / (2 * $before * $after);

        return abs($r) > 1 ? null : $r;
    }
}
