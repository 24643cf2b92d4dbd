<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

/** Several arms as one group (Higgins & Li 2019), from the first to the last. */
final class Arms
{
    /**
     * @param  list<array{?float, ?float, ?float}>  $arms  n, mean and SD of each
     * @return array{n: ?float, mean: ?float, sd: ?float} all null where something is missing or cannot be
     */
    public static function combined(array $arms): array
    {
        $whole = null;
        foreach ($arms as [$n, $mean, $sd]) {
            if ($n === null || $mean === null || $sd === null || $n < 1 || $sd < 0) {
                return ['n' => null, 'mean' => null, 'sd' => null];
            }
            $whole = $whole === null ? [$n, $mean, $sd] : self::two($whole, [$n, $mean, $sd]);
        }

        return $whole === null
            ? ['n' => null, 'mean' => null, 'sd' => null]
            : ['n' => $whole[0], 'mean' => $whole[1], 'sd' => Spread::positive($whole[2])];
    }

    /**
     * @param  array{float, float, float}  $one
     * @param  array{float, float, float}  $other
     * @return array{float, float, float}
     */
    private static function two(array $one, array $other): array
    {
        [[$n1, $m1, $s1], [$n2, $m2, $s2]] = [$one, $other];
        $n = $n1 + $n2;
        $squares = ($n1 - 1) * $s1 ** 2 + ($n2 - 1) * $s2 ** 2 + $n1 * $n2 / $n * ($m1 - $m2) ** 2;

        return [$n, ($n1 * $m1 + $n2 * $m2) / $n, sqrt($squares / ($n - 1))];
    }
}
