<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Regression;

/** The little linear algebra that a regression on a few moderators needs; matrices are lists of rows. */
final class Matrix
{
    /**
     * @param  list<list<float>>  $matrix  square
     * @return ?list<list<float>> null where it has no inverse
     */
    public static function inverse(array $matrix): ?array
    {
        $n = count($matrix);
        $identity = fn (int $i): array => array_map(fn (int $j): float => $i === $j ? 1.0 : 0.0, range(0, $n - 1));
        $rows = array_map(fn (array $row, int $i): array => [...$row, ...$identity($i)], $matrix, array_keys($matrix));
        // what is left of a row, beside what it was, tells whether rows tell the same
        $before = array_map(fn (array $row): float => max([1e-300, ...array_map(abs(...), $row)]), $matrix);
        for ($column = 0; $column < $n; $column++) {
            $pivot = $column;
            for ($row = $column + 1; $row < $n; $row++) {
                $pivot = abs($rows[$row][$column]) > abs($rows[$pivot][$column]) ? $row : $pivot;
            }
            if (abs($rows[$pivot][$column]) <= 1e-11 * $before[$pivot]) {
                return null;
            }
            [$rows[$column], $rows[$pivot]] = [$rows[$pivot], $rows[$column]];
            [$before[$column], $before[$pivot]] = [$before[$pivot], $before[$column]];
            $by = $rows[$column][$column];
            $rows[$column] = array_map(fn (float $one): float => $one / $by, $rows[$column]);
            foreach ($rows as $row => $values) {
                if ($row !== $column && $values[$column] !== 0.0) {
                    $rows[$row] = array_map(fn (float $one, float $of): float => $one - $values[$column] * $of, $values, $rows[$column]);
                }
            }
        }

        return array_map(fn (array $row): array => array_slice($row, $n), $rows);
    }

    /**
     * X′ W X.
     *
     * @param  list<list<float>>  $x
     * @param  list<float>  $weights
     * @return list<list<float>>
     */
    public static function crossed(array $x, array $weights): array
    {
        $p = count($x[0] ?? []);
        $sums = array_fill(0, $p, array_fill(0, $p, 0.0));
        foreach ($x as $i => $row) {
            foreach ($row as $a => $one) {
                foreach ($row as $b => $other) {
                    $sums[$a][$b] += $weights[$i] * $one * $other;
                }
            }
        }

        return array_map(array_values(...), array_values($sums));
    }

    /**
     * @param  list<list<float>>  $matrix
     * @param  list<float>  $vector
     * @return list<float>
     */
    public static function times(array $matrix, array $vector): array
    {
        return array_map(fn (array $row): float => self::dot($row, $vector), $matrix);
    }

    /**
     * @param  list<float>  $one
     * @param  list<float>  $other
     */
    public static function dot(array $one, array $other): float
    {
        $sum = 0.0;
        foreach ($one as $i => $value) {
            $sum += $value * $other[$i];
        }

        return $sum;
    }
}
