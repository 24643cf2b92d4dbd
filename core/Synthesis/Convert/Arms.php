<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

/** Several arms as one group (Higgins & Li 2019), from the first to the last. */
final class Arms
{
    /**
     * @param  list<ArmMoments>  $arms
     * @return ArmMoments nothing known where something is missing or cannot be
     */
    public static function combined(array $arms): ArmMoments
    {
        $whole = null;
        foreach ($arms as $arm) {
            if ($arm->n === null || $arm->mean === null || $arm->sd === null || $arm->n < 1 || $arm->sd < 0) {
                return new ArmMoments();
            }
            $whole = $whole === null ? $arm : self::two($whole, $arm);
        }

        return $whole?->sd === null
            ? new ArmMoments()
            : new ArmMoments($whole->n, $whole->mean, Spread::positive($whole->sd));
    }

    private static function two(ArmMoments $one, ArmMoments $other): ArmMoments
    {
        [$n1, $n2] = [(float) $one->n, (float) $other->n];
        [$m1, $m2] = [(float) $one->mean, (float) $other->mean];
        $n = $n1 + $n2;
        $between = $n1 * $n2 / $n * ($m1 - $m2) ** 2;
        $squares = ($n1 - 1) * (float) $one->sd ** 2 + ($n2 - 1) * (float) $other->sd ** 2 + $between;

        return new ArmMoments($n, ($n1 * $m1 + $n2 * $m2) / $n, sqrt($squares / ($n - 1)));
    }
}
