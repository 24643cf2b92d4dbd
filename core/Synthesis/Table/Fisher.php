<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Table;

/** The exact test of a 2×2 table (Fisher 1935). */
final class Fisher
{
    /** Chances that differ by less count as the same. */
    private const GUARD = 1e-7;

    /** The sum of the chances of all tables with these margins that are not likelier than this one; null of no records. */
    public static function twoSided(float $a, float $b, float $c, float $d): ?float
    {
        if ($a + $b + $c + $d <= 0) {
            return null;
        }
        [$row, $column, $n] = [$a + $b, $a + $c, $a + $b + $c + $d];
        $low = max(0.0, $row + $column - $n);
        $high = min($row, $column);
        $chances = self::chances($low, $high, $row, $column, $n);
        $limit = $chances[(int) round($a - $low)] * (1 + self::GUARD);
        // the small ones first, so that none is lost in the sum
        $as = array_filter($chances, fn (float $one): bool => $one <= $limit);
        sort($as);
        sort($chances);

        return min(1.0, array_sum($as) / array_sum($chances));
    }

    /**
     * Each in proportion to the likeliest, from which they are reckoned outwards so that none overflows.
     *
     * @return non-empty-list<float> of tables with $low to $high in the first cell
     */
    private static function chances(float $low, float $high, float $row, float $column, float $n): array
    {
        $mode = min($high, max($low, floor(($row + 1) * ($column + 1) / ($n + 2))));
        $chances = [(int) round($mode - $low) => 1.0];
        for ($x = $mode, $chance = 1.0; $x < $high; $x++) {
            $chance *= ($row - $x) * ($column - $x) / (($x + 1) * ($n - $row - $column + $x + 1));
            $chances[(int) round($x + 1 - $low)] = $chance;
        }
        for ($x = $mode, $chance = 1.0; $x > $low; $x--) {
            $chance *= $x * ($n - $row - $column + $x) / (($row - $x + 1) * ($column - $x + 1));
            $chances[(int) round($x - 1 - $low)] = $chance;
        }
        ksort($chances);

        return array_values($chances);
    }
}
