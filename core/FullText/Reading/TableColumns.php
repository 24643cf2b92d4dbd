<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/**
 * The columns of a table, as its rows with most cells have them. Other lines are parted there, too, although their cells
 * stand close, and each cell learns its column.
 */
final readonly class TableColumns
{
    /** A gap between cells is at least so many heights wide, and so many times a blank of its line. */
    private const GAP = 0.3;

    private const TIMES = 1.25;

    private const BLANK = 0.25;

    /**
     * @param  list<array{float, float}>  $spans  left and right ends of the columns
     * @param  int  $rows  how many have them all
     */
    private function __construct(private array $spans, private int $rows)
    {
    }

    public static function none(): self
    {
        return new self([], 0);
    }

    /** With what another row of the table tells of them: those with fewer cells tell nothing. */
    public function with(TableRow $row): self
    {
        $spans = array_map(self::span(...), $row->cells());

        return match (count($spans) <=> count($this->spans)) {
            1 => new self($spans, 1),
            0 => new self(array_map(
                fn (array $one, array $other): array => [min($one[0], $other[0]), max($one[1], $other[1])],
                $this->spans,
                $spans,
            ), $this->rows + 1),
            -1 => $this,
        };
    }

    public function count(): int
    {
        return count($this->spans);
    }

    /** Whether they can be told apart; two may be there by chance, unless several rows have them. */
    public function areTold(): bool
    {
        foreach ($this->spans as $i => [$left]) {
            if ($i > 0 && $left <= $this->spans[$i - 1][1]) {
                return false;
            }
        }

        return count($this->spans) > 2 || (count($this->spans) === 2 && $this->rows > 2);
    }

    /**
     * @param  non-empty-list<Line>  $lines  of a cell
     * @return array{float, float}
     */
    private static function span(array $lines): array
    {
        return [
            min(array_map(fn (Line $line): float => $line->left, $lines)),
            max(array_map(fn (Line $line): float => $line->right, $lines)),
        ];
    }

    /**
     * The cells of a row by the columns in which they stand, each of one line or of several.
     *
     * @return ?array<int, non-empty-list<Line>> null where it does not stand in them
     */
    public function cells(TableRow $row): ?array
    {
        $cells = [];
        foreach ($row->cells() as $lines) {
            $own = [];
            foreach ($lines as $line) {
                $parts = $this->parts($line);
                if ($parts === null) {
                    return null;
                }
                foreach ($parts as $column => $part) {
                    $own[$column][] = $part;
                }
            }
            if (array_intersect_key($cells, $own) !== []) {
                return null; // two cells of one column are two columns
            }
            $cells += $own;
        }
        ksort($cells);

        return $cells;
    }

    /** Parted at the columns; as it was where it does not stand in them. */
    public function line(Line $line): Line
    {
        $parts = array_values($this->parts($line) ?? []);

        return count($parts) > 1 && self::areApart($parts, $line) ? $line->ofParts($parts) : $line;
    }

    /** @return ?array<int, Line> by column; null where a wide gap lies within one, or a word across two */
    private function parts(Line $line): ?array
    {
        $words = [];
        foreach ($this->columnsOf($line->words) ?? [] as $i => $column) {
            $words[$column][] = $line->words[$i];
        }
        $parts = array_map(fn (array $of): Line => new Line($line->page, $of), $words);
        $isParted = fn (Line $part): bool => count($part->parts()) > 1;

        return $parts === [] || array_filter($parts, $isParted) !== [] ? null : $parts;
    }

    /**
     * @param  non-empty-list<Word>  $words
     * @return ?list<int> the column of each, from the left; null where one stands in two, or one before another
     */
    private function columnsOf(array $words): ?array
    {
        $columns = [];
        foreach ($words as $word) {
            $isIn = fn (array $span): bool => $word->left < $span[1] && $word->right > $span[0];
            $in = array_keys(array_filter($this->spans, $isIn));
            if (count($in) > 1) {
                return null;
            }
            $columns[] = $in[0] ?? null;
        }
        foreach ($columns as $i => $column) {
            $columns[$i] = $column ?? $this->nearest($words, $columns, $i);
        }
        $sorted = $columns;
        sort($sorted);

        return $sorted === $columns ? $columns : null;
    }

    /**
     * Of a word between two columns: that of the word beside it, or of the nearer one.
     *
     * @param  non-empty-list<Word>  $words
     * @param  list<?int>  $columns
     */
    private function nearest(array $words, array $columns, int $at): int
    {
        $before = $columns[$at - 1] ?? null;
        $after = $columns[$at + 1] ?? null;
        $toBefore = $before === null ? INF : $words[$at]->left - $words[$at - 1]->right;
        $toAfter = $after === null ? INF : $words[$at + 1]->left - $words[$at]->right;
        if ($before !== null || $after !== null) {
            return (int) ($toBefore <= $toAfter ? $before : $after);
        }
        $middle = ($words[$at]->left + $words[$at]->right) / 2;
        $away = array_map(
            fn (array $span): float => min(abs($middle - $span[0]), abs($middle - $span[1])),
            $this->spans,
        );
        asort($away);

        return (int) array_key_first($away);
    }

    /**
     * Whether gaps between cells are wider than blanks within them.
     *
     * @param  non-empty-list<Line>  $parts
     */
    private static function areApart(array $parts, Line $line): bool
    {
        $blanks = [];
        foreach ($parts as $part) {
            for ($i = 1; $i < count($part->words); $i++) {
                $blanks[] = $part->words[$i]->left - $part->words[$i - 1]->right;
            }
        }
        sort($blanks);
        $blank = $blanks === [] ? self::BLANK * $line->size() : $blanks[intdiv(count($blanks), 2)];
        $least = max(self::GAP * $line->size(), self::TIMES * $blank);
        for ($i = 1; $i < count($parts); $i++) {
            if ($parts[$i]->left - $parts[$i - 1]->right < $least) {
                return false;
            }
        }

        return true;
    }
}
