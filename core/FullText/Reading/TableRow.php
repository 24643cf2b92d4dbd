<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** A row of a table, told by its boxes: cells beside each other, each of one line or of several beneath each other. */
final class TableRow
{
    /** A first cell of more lines than that is a column of text. */
    private const TALLEST = 5;

    /** Lines of so many heights are running text. */
    private const WIDE = 12.0;

    /** @var non-empty-list<non-empty-list<Line>> */
    private array $cells;

    private int $used = 1;

    private float $size;

    private function __construct(Line $first)
    {
        $this->cells = array_map(fn (Line $part): array => [$part], $first->parts());
        $this->size = $first->size();
    }

    /**
     * @param  array<int, Line>  $lines  from 0 on, without gaps
     * @return ?self the row that begins at this line; null where none does
     */
    public static function at(array $lines, int $at): ?self
    {
        $row = new self($lines[$at]);
        $stacked = 1;
        while (
            count($row->cells) === 1 &&
            $stacked < self::TALLEST &&
            $row->isBeneathLast($lines[$at + $stacked] ?? null)
        ) {
            $row->cells[0][] = $lines[$at + $stacked++];
        }
        $row->used = $stacked;
        while (isset($lines[$at + $row->used]) && $row->take($lines[$at + $row->used])) {
            $row->used++;
        }

        return count($row->cells) > 1 && ! $row->isColumns() ? $row : null;
    }

    /** How many lines it is made of. */
    public function lines(): int
    {
        return $this->used;
    }

    /** Whether its cells leave no doubt that it is one. */
    public function isPlain(): bool
    {
        return count($this->cells) > 2 || $this->used > 1;
    }

    /** @return non-empty-list<string> */
    public function texts(Hyphens $hyphens): array
    {
        return array_map(fn (array $lines): string => $hyphens->joined($lines), $this->cells);
    }

    /** @return non-empty-list<non-empty-list<Line>> */
    public function cells(): array
    {
        return $this->cells;
    }

    public function page(): int
    {
        return $this->cells[0][0]->page;
    }

    /** Two columns of running text that happen to be short. */
    private function isColumns(): bool
    {
        foreach ($this->cells as $lines) {
            $widths = array_map(fn (Line $line): float => $line->right - $line->left, $lines);
            if (count($lines) < 2 || array_sum($widths) / count($widths) < self::WIDE * $this->size) {
                return false;
            }
        }

        return count($this->cells) === 2;
    }

    private function take(Line $next): bool
    {
        $isRight = $next->left > $this->right() - 1 && $next->left - $this->right() < 20 * $this->size;
        if (
            $isRight &&
            $next->top > $this->top() - 0.6 * $this->size &&
            $next->top < $this->bottom() - 1 &&
            $this->isOnPage($next)
        ) {
            foreach ($next->parts() as $part) {
                $this->cells[] = [$part];
            }

            return true;
        }
        if (count($this->cells) > 1 && $this->isBeneathLast($next)) {
            $this->cells[count($this->cells) - 1][] = $next;

            return true;
        }

        return false;
    }

    private function isBeneathLast(?Line $next): bool
    {
        if ($next === null || ! $this->isOnPage($next) || count($next->parts()) > 1) {
            return false;
        }
        $cells = count($this->cells);
        $stack = $this->cells[$cells - 1];
        $last = $stack[count($stack) - 1];
        $before = $cells === 1 ? -INF : max(array_map(fn (Line $line): float => $line->right, $this->cells[$cells - 2]));

        return $next->top > $last->top + 0.3 * $this->size &&
            $next->top - $last->bottom < 0.35 * $this->size &&
            $next->left > $before &&
            $next->left < $last->right &&
            abs($next->left - $stack[0]->left) < 1.5 * $this->size;
    }

    private function isOnPage(Line $line): bool
    {
        return $line->page === $this->cells[0][0]->page;
    }

    private function top(): float
    {
        return min(array_map(fn (Line $line): float => $line->top, array_merge(...$this->cells)));
    }

    private function bottom(): float
    {
        return max(array_map(fn (Line $line): float => $line->bottom, array_merge(...$this->cells)));
    }

    private function right(): float
    {
        return max(array_map(fn (Line $line): float => $line->right, $this->cells[count($this->cells) - 1]));
    }
}
