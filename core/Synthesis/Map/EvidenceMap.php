<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Map;

use WaryHeron\Core\Synthesis\Table\Crosstab;

/**
 * How many studies say one thing and another: a matrix of two items, each cell split by a third. A study with several
 * answers counts once in each of their cells, and once in each total.
 */
final readonly class EvidenceMap
{
    /**
     * @param  list<string>  $rows  answers, in the order of the codebook
     * @param  list<string>  $columns  the same; one empty name where only frequencies are asked for
     * @param  list<string>  $fills
     * @param  array<string, array<string, int>>  $cells  studies by row, then column
     * @param  array<string, array<string, array<string, int>>>  $split  by row, column and fill
     * @param  array<string, int>  $rowTotals
     * @param  array<string, int>  $columnTotals
     * @param  int  $studies  that answer both
     */
    public function __construct(
        public array $rows,
        public array $columns,
        public array $fills,
        public array $cells,
        public array $split,
        public array $rowTotals,
        public array $columnTotals,
        public int $studies,
    ) {
    }

    public function at(string $row, string $column): int
    {
        return $this->cells[$row][$column] ?? 0;
    }

    public function most(): int
    {
        return max([1, ...array_map(fn (array $row): int => $row === [] ? 0 : max($row), array_values($this->cells))]);
    }

    /** Cells in which no study lies. */
    public function gaps(): int
    {
        $gaps = 0;
        foreach ($this->rows as $row) {
            foreach ($this->columns as $column) {
                $gaps += $this->at($row, $column) === 0 ? 1 : 0;
            }
        }

        return $gaps;
    }

    /** Whether each study lies in one cell, so that tests of independence mean something. */
    public function isPartition(): bool
    {
        return count($this->columns) > 1 && array_sum($this->rowTotals) === $this->studies &&
            array_sum($this->columnTotals) === $this->studies;
    }

    /** @return ?array<string, mixed> χ² and Fisher’s p as Crosstab gives them; null where they mean nothing */
    public function tests(): ?array
    {
        if (! $this->isPartition()) {
            return null;
        }
        $counts = [];
        foreach ($this->rows as $row) {
            foreach ($this->columns as $column) {
                $counts[$row][$column] = (float) $this->at($row, $column);
            }
        }

        return $counts === [] ? null : Crosstab::ofCounts($counts)->toArray();
    }
}
