<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Distribution\ChiSquared;

/** Whether groups of studies differ beyond chance. One group alone: null. */
final class Between
{
    /**
     * @param  array<array-key, non-empty-list<Study>>  $groups
     * @param  ?Model  $model  null for the common effect
     */
    public static function groups(array $groups, ?Model $model): GroupTest
    {
        if (count($groups) < 2) {
            return new GroupTest();
        }
        $pooled = [];
        foreach ($groups as $name => $studies) {
            $estimate = (new RandomEffects($studies, $model?->tau2($studies)))->estimate();
            $pooled[] = new Study((string) $name, (float) $estimate->value, (float) $estimate->standardError ** 2);
        }
        $q = Weighted::of($pooled)->q();
        $df = count($groups) - 1;

        return new GroupTest($q, $df, ChiSquared::above($q, $df));
    }
}
