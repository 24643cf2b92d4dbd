<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Table;

use WaryHeron\Core\Synthesis\Distribution\ChiSquared;

/** How often values of two items come together. Source of the test: Pearson 1900, without continuity correction. */
final readonly class Crosstab
{
    /**
     * @param  array<array-key, array<array-key, float>>  $counts  by row, then column; every row has every column
     * @param  int  $missing  records without one of the two values
     */
    private function __construct(private array $counts, private int $missing)
    {
    }

    /** @param  iterable<array{string, string}>  $pairs  row and column of each record; empty where it has no value */
    public static function of(iterable $pairs): self
    {
        $counts = $columns = [];
        $missing = 0;
        foreach ($pairs as [$row, $column]) {
            if ($row === '' || $column === '') {
                $missing++;

                continue;
            }
            $counts[$row][$column] = ($counts[$row][$column] ?? 0.0) + 1;
            $columns[$column] = 0.0;
        }
        ksort($columns);
        ksort($counts);

        return new self(array_map(fn (array $row): array => array_replace($columns, $row), $counts), $missing);
    }

    /** @param  non-empty-array<string, non-empty-array<string, float>>  $counts */
    public static function ofCounts(array $counts): self
    {
        return new self($counts, 0);
    }

    /** @return array<string, int|float|object|null> */
    public function toArray(): array
    {
        $rows = array_map(fn (array $row): float => (float) array_sum($row), $this->counts);
        $columns = $this->columnTotals();
        $ofRow = $ofColumn = [];
        foreach ($this->counts as $r => $row) {
            foreach ($row as $c => $count) {
                $ofRow[$r][$c] = $rows[$r] > 0 ? 100 * $count / $rows[$r] : null;
                $ofColumn[$r][$c] = $columns[$c] > 0 ? 100 * $count / $columns[$c] : null;
            }
        }

        return [
            'n' => array_sum($rows),
            'counts' => self::named($this->counts),
            'row_pct' => self::named($ofRow),
            'col_pct' => self::named($ofColumn),
            'row_totals' => (object) $rows,
            'col_totals' => (object) $columns,
            'pearson' => $this->pearson($rows, $columns),
            'fisher_p' => $this->fisher(),
            'missing' => $this->missing,
        ];
    }

    /**
     * By names, also where these are numbers.
     *
     * @param  array<array-key, array<array-key, ?float>>  $cells
     */
    private static function named(array $cells): object
    {
        return (object) array_map(fn (array $row): object => (object) $row, $cells);
    }

    /** @return array<array-key, float> */
    private function columnTotals(): array
    {
        $totals = [];
        foreach ($this->counts as $row) {
            foreach ($row as $column => $count) {
                $totals[$column] = ($totals[$column] ?? 0.0) + $count;
            }
        }

        return $totals;
    }

    /**
     * Rows and columns that are empty play no part.
     *
     * @param  array<array-key, float>  $rows
     * @param  array<array-key, float>  $columns
     */
    private function pearson(array $rows, array $columns): PearsonTest
    {
        $rows = array_filter($rows);
        $columns = array_filter($columns);
        if (count($rows) < 2 || count($columns) < 2) {
            return new PearsonTest();
        }
        $chi2 = 0.0;
        $n = array_sum($rows);
        foreach ($rows as $r => $row) {
            foreach ($columns as $c => $column) {
                $expected = $row * $column / $n;
                $chi2 += ($this->counts[$r][$c] - $expected) ** 2 / $expected;
            }
        }
        $df = (count($rows) - 1) * (count($columns) - 1);

        return new PearsonTest($chi2, $df, ChiSquared::above($chi2, $df));
    }

    private function fisher(): ?float
    {
        $cells = array_map(array_values(...), array_values($this->counts));

        return count($cells) === 2 && count($cells[0]) === 2
            ? Fisher::twoSided($cells[0][0], $cells[0][1], $cells[1][0], $cells[1][1])
            : null;
    }
}
