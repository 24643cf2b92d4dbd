<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

use WaryHeron\Core\Coding\Lead\Parted\PartNames;
use WaryHeron\Core\Coding\Lead\Passage;
use WaryHeron\Core\Coding\Lead\Passages;

/** A table that names the two groups of a comparison, over its columns or at the beginning of its rows. */
final readonly class ResultTable
{
    /**
     * @param  list<TableLine>  $lines
     * @param  array<int, OfferedNumber>  $sizes  how many the table says are in each group
     */
    private function __construct(public array $lines, public array $sizes)
    {
    }

    /** @return list<self> in the order of the paper, those that name both groups */
    public static function all(Passages $paper, PartNames $groups): array
    {
        $tables = [];
        foreach (self::runs($paper) as $from => $rows) {
            $legend = TableLegend::of($paper->all, $from, $from + count($rows) - 1);
            $table = $legend->isOfStart()
                ? null
                : self::byColumns($rows, $groups, $legend) ?? self::byRows($rows, $groups, $legend);
            if ($table !== null) {
                $tables[] = $table;
            }
        }

        return $tables;
    }

    /** @return array<int, non-empty-list<Passage>> rows that stand together, by where they begin */
    private static function runs(Passages $paper): array
    {
        $runs = [];
        $from = null;
        foreach ($paper->all as $at => $passage) {
            $from = $passage->isRow() ? $from ?? $at : null;
            if ($from !== null) {
                $runs[$from][] = $passage;
            }
        }

        return $runs;
    }

    /** @param  non-empty-list<Passage>  $rows */
    private static function byColumns(array $rows, PartNames $groups, TableLegend $legend): ?self
    {
        $head = $rows[0];
        // a head without a cell over the names of the rows begins with a group
        $shift = count($groups->in($head->cells[0] ?? '')) === 1 ? 1 : 0;
        $at = self::columns($head->cells, $groups, 1 - $shift);
        if (! isset($at[1], $at[2])) {
            return null;
        }
        $lines = $sizes = [];
        foreach ([1, 2] as $group) {
            $sizes += GroupSizes::inName($group, $head->cells[$at[$group]], $head);
        }
        foreach (array_slice($rows, 1) as $row) {
            $more = count($row->cells) - count($head->cells);
            // else, which cell stands under which head is not known
            if ($more === $shift || ($shift === 0 && $more < 2)) {
                $lines[] = self::line($row, $head, $at, $shift, $legend);
            }
        }

        return new self($lines, $sizes + GroupSizes::inLine($lines));
    }

    /**
     * @param  array<int, int>  $at  the column of each group
     * @param  int  $shift  how much further right cells stand than their heads
     */
    private static function line(Passage $row, Passage $head, array $at, int $shift, TableLegend $legend): TableLine
    {
        $told = array_map(fn (int $i): string => $row->cells[$i + $shift] ?? '', $at);
        $cells = array_filter($told, fn (string $cell): bool => $cell !== '');
        $label = $row->cells[0] ?? '';

        return new TableLine(
            self::named($label, $legend),
            $cells,
            array_fill_keys(array_keys($cells), $row),
            isset($at[0]) ? $head->cells[$at[0]] : '',
            $legend->format($label),
            GroupSizes::beside($row, $head, $at, $shift),
        );
    }

    /** @param  non-empty-list<Passage>  $rows */
    private static function byRows(array $rows, PartNames $groups, TableLegend $legend): ?self
    {
        $of = $sizes = [];
        foreach ($rows as $row) {
            $named = $groups->in($row->cells[0] ?? '');
            if (count($named) === 1) {
                $of[(int) $named[0]] ??= $row;
            }
        }
        if (! isset($of[1], $of[2]) || count($of[1]->cells) !== count($of[2]->cells)) {
            return null;
        }
        $lines = [];
        foreach ($of[1]->heads as $at => $head) {
            if ($at > 0 && isset($of[1]->cells[$at], $of[2]->cells[$at])) {
                $cells = [1 => $of[1]->cells[$at], 2 => $of[2]->cells[$at]];
                $lines[] = new TableLine(self::named($head, $legend), $cells, $of, legend: $legend->format($head));
            }
        }
        foreach ([1, 2] as $group) {
            $sizes += GroupSizes::inName($group, $of[$group]->cells[0], $of[$group]);
        }

        return new self($lines, $sizes + GroupSizes::inLine($lines));
    }

    /**
     * @param  list<string>  $heads
     * @param  int  $from  the first that can be one of a group
     * @return array<int, int> the column of each group, and under 0 of what is worked out of both
     */
    private static function columns(array $heads, PartNames $groups, int $from): array
    {
        $at = [];
        foreach (array_slice($heads, $from, preserve_keys: true) as $i => $head) {
            $named = $groups->in($head);
            if (count($named) === 1) {
                $at[(int) $named[0]] ??= $i;
            } elseif (preg_match('/\b(?:(?i:ratio|difference|effect)|RR|OR|HR|MD|SMD)\b/u', $head) === 1) {
                $at[0] ??= $i;
            }
        }

        return $at;
    }

    /** With what only the table's title says of it. */
    private static function named(string $label, TableLegend $legend): string
    {
        $says = preg_match('/\b(?:change|gain|rise|fall)/iu', $label) === 1;

        return $legend->isOfChange() && ! $says ? "{$label} (change)" : $label;
    }
}
