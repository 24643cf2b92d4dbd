<?php

declare(strict_types=1);

namespace App\Console;

use WaryHeron\Core\Synthesis\Table\Crosstab;

/** Crosstabs of the data sets of a CSV, as JSON: a row for each record, or a row for each 2×2 table. */
final class CrossTabulate extends PureCommand
{
    protected $signature = 'heron:crosstab {file : CSV with the columns dataset, row, col or table, a, b, c, d}';

    protected $description = 'Crosstabs with their tests';

    protected function work(): int
    {
        $csv = CsvRows::open($this->text('file'));
        if ($csv === null || (! $csv->has('dataset', 'row', 'col') && ! $csv->has('table', 'a', 'b', 'c', 'd'))) {
            return $this->unusable(
                "{$this->text('file')} cannot be read, or has neither the columns dataset, row, col nor table, a, b, c, d.",
            );
        }
        $tables = $csv->has('dataset') ? $this->ofRecords($csv) : $this->ofCounts($csv);

        return $this->print((object) array_map(fn (Crosstab $one): array => $one->toArray(), $tables));
    }

    /** @return array<array-key, Crosstab> */
    private function ofRecords(CsvRows $csv): array
    {
        $pairs = [];
        foreach ($csv->rows() as $row) {
            $pairs[$row->text('dataset')][] = [$row->text('row'), $row->text('col')];
        }

        return array_map(Crosstab::of(...), $pairs);
    }

    /** @return array<array-key, Crosstab> */
    private function ofCounts(CsvRows $csv): array
    {
        $tables = [];
        foreach ($csv->rows() as $row) {
            [$a, $b, $c, $d] = array_map(fn (?float $one): float => max(0.0, $one ?? 0.0), $row->numbers('a', 'b', 'c', 'd'));
            $tables[$row->text('table')] = Crosstab::ofCounts([
                'r1' => ['c1' => $a, 'c2' => $b],
                'r2' => ['c1' => $c, 'c2' => $d],
            ]);
        }

        return $tables;
    }
}
