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
     * @param  array<array-key, array<array-key, int>>  $cells  studies by row, then column
     * @param  array<array-key, array<array-key, array<array-key, int>>>  $split  by row, column and fill
     * @param  array<array-key, int>  $rowTotals
     * @param  array<array-key, int>  $columnTotals
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

    /**
     * Counts studies by what is said of them; a study counts where it says both.
     *
     * @param  array<string, list<string>>  $down  answers by study
     * @param  ?array<string, list<string>>  $across  the same; null where only frequencies are asked for
     * @param  ?array<string, list<string>>  $filled
     * @param  array{list<string>, list<string>, list<string>}  $offered  options of each, which come first and are shown
     *     though nobody has them; but for fills
     */
    public static function of(array $down, ?array $across, ?array $filled, array $offered): self
    {
        $cells = $split = $rows = $columns = $fills = [];
        $studies = 0;
        foreach ($down as $study => $saidDown) {
            $saidAcross = $across === null ? [''] : $across[$study] ?? [];
            if ($saidAcross === [] || $saidDown === []) {
                continue;
            }
            $studies++;
            foreach ($saidAcross as $column) {
                $columns[$column] = ($columns[$column] ?? 0) + 1;
            }
            foreach ($saidDown as $row) {
                $rows[$row] = ($rows[$row] ?? 0) + 1;
                foreach ($saidAcross as $column) {
                    $cells[$row][$column] = ($cells[$row][$column] ?? 0) + 1;
                    foreach ($filled[$study] ?? [] as $fill) {
                        $split[$row][$column][$fill] = ($split[$row][$column][$fill] ?? 0) + 1;
                        $fills[$fill] = true;
                    }
                }
            }
        }

        return new self(
            self::ordered($offered[0], $rows),
            $across === null ? [''] : self::ordered($offered[1], $columns),
            self::ordered(array_values(array_filter($offered[2], fn (string $one): bool => isset($fills[$one]))), $fills),
            $cells,
            $split,
            $rows,
            $columns,
            $studies,
        );
    }

    public function at(string $row, string $column): int
    {
        return $this->cells[$row][$column] ?? 0;
    }

    /** A cell as a number of studies, or in percent of those of its row, its column or all; null of none. */
    public function figure(string $row, string $column, CellFigure $as): int|float|null
    {
        $of = match ($as) {
            CellFigure::Studies => null,
            CellFigure::OfRow => $this->rowTotals[$row] ?? 0,
            CellFigure::OfColumn => $this->columnTotals[$column] ?? 0,
            CellFigure::OfAll => $this->studies,
        };

        return match ($of) {
            null => $this->at($row, $column),
            0 => null,
            default => 100 * $this->at($row, $column) / $of,
        };
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

    /** @return ?array<string, int|float|object|null> χ² and Fisher’s p as Crosstab gives them; null where they mean nothing */
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

    /**
     * What is offered, in its order, then what else was said.
     *
     * @param  list<string>  $offered
     * @param  array<array-key, mixed>  $said
     * @return list<string>
     */
    private static function ordered(array $offered, array $said): array
    {
        $others = array_diff(array_map(strval(...), array_keys($said)), $offered);
        sort($others);

        return [...$offered, ...$others];
    }
}
