<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/**
 * Lines as text that still tells how they are set: what stands further to the right begins with blanks, and there is an
 * empty line where a gap parts two.
 */
final class SetLines
{
    /** So many heights further to the right, a line is set in. */
    private const SET_IN = 0.5;

    /** So many heights more than between other lines, two lines stand apart. */
    private const APART = 0.35;

    /** Columns before and after one that are looked at. */
    private const BESIDE = 8;

    /** Lines of a column among which one will begin a reference. */
    private const TELLING = 5;

    /** @param  non-empty-list<Line>  $lines  in the order in which they are read */
    public static function text(array $lines): string
    {
        $columns = self::columns($lines);
        $usual = self::usualGap($columns);
        $lefts = array_map(self::least(...), $columns);
        $text = '';
        foreach ($columns as $at => $column) {
            $left = count($column) < self::TELLING
                ? self::leftBeside($lefts, $at, 4 * $column[0]->size())
                : $lefts[$at];
            foreach ($column as $i => $line) {
                $gap = $i === 0 ? 0.0 : $line->top - $column[$i - 1]->bottom;
                $isApart = $i > 0 && $gap > $usual + self::APART * $line->size();
                $isSetIn = $line->left > $left + self::SET_IN * $line->size();
                $text .= ($isApart ? "\n" : '').($isSetIn ? '   ' : '').trim($line->text())."\n";
            }
        }

        return $text;
    }

    /**
     * @param  non-empty-list<Line>  $lines
     * @return non-empty-list<non-empty-list<Line>> runs that go down a page
     */
    private static function columns(array $lines): array
    {
        $columns = [[$lines[0]]];
        foreach (array_slice($lines, 1) as $line) {
            $column = end($columns);
            $last = end($column);
            if ($line->page === $last->page && $line->top >= $last->top && $line->left < $last->right) {
                $columns[array_key_last($columns)][] = $line;
            } else {
                $columns[] = [$line];
            }
        }

        return $columns;
    }

    /**
     * Where the first lines of references begin in a column that may begin and end in the middle of one: as in columns
     * beside it, or at the same place of other pages.
     *
     * @param  non-empty-list<float>  $lefts  of all columns
     */
    private static function leftBeside(array $lefts, int $at, float $within): float
    {
        $some = array_slice($lefts, max(0, $at - self::BESIDE), 2 * self::BESIDE + 1);
        $near = array_filter($some, fn (float $left): bool => abs($left - $lefts[$at]) < $within);

        return min([$lefts[$at], ...$near]);
    }

    /** @param  non-empty-list<Line>  $column */
    private static function least(array $column): float
    {
        return min(array_map(fn (Line $line): float => $line->left, $column));
    }

    /** @param  non-empty-list<non-empty-list<Line>>  $columns */
    private static function usualGap(array $columns): float
    {
        $gaps = [];
        foreach ($columns as $column) {
            for ($i = 1; $i < count($column); $i++) {
                $gaps[] = $column[$i]->top - $column[$i - 1]->bottom;
            }
        }
        sort($gaps);

        // within references there are more lines than between them, and the smaller gaps
        return $gaps[intdiv(count($gaps), 4)] ?? 0.0;
    }
}
