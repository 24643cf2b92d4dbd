<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** Puts lines together into headings, paragraphs and rows of tables. */
final class Blocks
{
    private const LONGEST_HEADING = 14;

    /** A row of a table has so many lines at most, and no larger gap before each than so many heights. */
    private const ROW = 12;

    private const APART = 2.5;

    /** Letters of headings are so many times as high as most. */
    private const LARGE = 1.12;

    /** No title has more words; an abstract in large print has. */
    private const LONGEST_TITLE = 50;

    private const CAPTION = '/^(?:table|figure|fig\.|box|scheme|panel)\s*[\dS]/iu';

    /** @var list<Block> */
    private array $blocks = [];

    /** @var list<Line> */
    private array $open = [];

    private string $heading = '';

    private ?Line $lastHeading = null;

    private SectionKind $section = SectionKind::Title;

    /** @var list<TableRow> rows of the table that is open */
    private array $table = [];

    private TableColumns $columns;

    /** The first line that has not been parted by them. */
    private int $parted = 0;

    /** @param  array<int, Line>  $lines  from 0 on, without gaps */
    private function __construct(
        private array $lines,
        private readonly float $size,
        private readonly Hyphens $hyphens,
    ) {
        $this->columns = TableColumns::none();
    }

    /**
     * @param  list<Line>  $lines  of all pages, without furniture
     * @return list<Block>
     */
    public static function of(array $lines): array
    {
        $sizes = [];
        foreach ($lines as $line) {
            $size = (string) round($line->size(), 1);
            $sizes[$size] = ($sizes[$size] ?? 0) + mb_strlen($line->text());
        }
        arsort($sizes);

        return (new self($lines, (float) (array_key_first($sizes) ?? 10), Hyphens::of($lines)))->made();
    }

    /** @return list<Block> */
    private function made(): array
    {
        $count = count($this->lines);
        for ($i = 0; $i < $count; $i++) {
            $row = $this->rowAt($i);
            if ($row !== null) {
                $this->table[] = $row;
                $columns = $this->columns->with($row);
                // by other columns the lines that follow are parted once more
                $this->parted = $columns->count() === $this->columns->count() ? $this->parted : 0;
                $this->columns = $columns;
                $i += $row->lines() - 1;

                continue;
            }
            $this->closeTable();
            $line = $this->lines[$i];
            if ($this->open !== [] && ! $this->goesOn($line)) {
                $this->close();
            }
            if ($this->open === [] && ($this->isHeading($i) || $this->continuesHeading($line))) {
                $this->addHeading($line);
            } else {
                $this->open[] = $line;
            }
        }
        $this->closeTable();
        $this->close();

        return $this->blocks;
    }

    private function rowAt(int $at): ?TableRow
    {
        $this->part($at);
        $row = TableRow::at($this->lines, $at);

        $isRow = $row !== null && ($row->isPlain() || $this->hasNeighbour($at) || $this->isHeadAt($at, $row));

        return $isRow ? $row : null;
    }

    /** The next lines of an open table, where its columns are. */
    private function part(int $at): void
    {
        $areTold = $this->columns->areTold();
        for ($i = max($at, $this->parted); $areTold && $i < $at + self::ROW && $this->isNextTo($i); $i++) {
            $this->lines[$i] = $this->columns->line($this->lines[$i]);
            $this->parted = $i + 1;
        }
    }

    /** Whether a line stands as near to the one before it as lines of a table do. */
    private function isNextTo(int $at): bool
    {
        $line = $this->lines[$at] ?? null;
        $before = $this->lines[$at - 1] ?? null;

        return $line !== null && $before !== null && $line->page === $before->page
            && $line->top - $before->bottom < self::APART * $before->size();
    }

    /** Two cells over a row that is plainly one. */
    private function isHeadAt(int $at, TableRow $head): bool
    {
        $next = $at + $head->lines();

        return $this->isNextTo($next) && TableRow::at($this->lines, $next)?->isPlain() === true;
    }

    /** A line with one wide gap is a row where the line before or after it is one too. */
    private function hasNeighbour(int $at): bool
    {
        $size = $this->lines[$at]->size();
        foreach ([$at - 1, $at + 1] as $beside) {
            $line = $this->lines[$beside] ?? null;
            if (
                $line !== null &&
                count($line->parts()) > 1 &&
                $line->page === $this->lines[$at]->page &&
                abs($line->top - $this->lines[$at]->top) < 4 * $size
            ) {
                return true;
            }
        }

        return false;
    }

    /** The rows of the table that is open, after the paragraph over it. */
    private function closeTable(): void
    {
        if ($this->table === []) {
            return;
        }
        $areTold = $this->columns->areTold();
        $rows = [...$areTold ? $this->headAbove($this->table[0]) : [], ...$this->table];
        $this->close();
        foreach ($rows as $row) {
            $cells = $this->texts($row, $areTold ? $this->columns->cells($row) : null);
            $this->blocks[] = new Block(
                BlockKind::Row,
                implode(' ', array_filter($cells, fn (string $cell): bool => $cell !== '')),
                $row->page(),
                $this->heading,
                $this->section,
                $cells,
            );
        }
        $this->table = [];
        $this->columns = TableColumns::none();
    }

    /** @return list<TableRow> the last line of the open paragraph, where it is a head whose cells stand close */
    private function headAbove(TableRow $first): array
    {
        $line = end($this->open);
        $top = $first->cells()[0][0];
        if ($line === false || $line->page !== $top->page || $top->top - $line->bottom > self::APART * $line->size()) {
            return [];
        }
        $head = TableRow::at([$this->columns->line($line)], 0);
        if ($head !== null) {
            array_pop($this->open);
        }

        return $head === null ? [] : [$head];
    }

    /**
     * @param  ?array<int, non-empty-list<Line>>  $cells  by column, where it is known
     * @return list<string> with empty ones before those that stand further to the right
     */
    private function texts(TableRow $row, ?array $cells): array
    {
        if ($cells === null) {
            return $row->texts($this->hyphens);
        }
        $texts = array_fill(0, array_key_last($cells) + 1, '');
        foreach ($cells as $column => $lines) {
            $texts[$column] = $this->hyphens->joined($lines);
        }

        return array_values($texts);
    }

    /** Whether a line belongs to the paragraph that is open. */
    private function goesOn(Line $line): bool
    {
        $last = $this->open[count($this->open) - 1];
        if (abs($last->size() - $line->size()) > 0.12 * $this->size) {
            return false;
        }
        $isBelow = $line->page === $last->page && $line->top >= $last->top && $line->left < $last->right;
        if (! $isBelow) {
            // the next column or page: a paragraph that is not at its end goes on
            return preg_match('/[.!?:][”"’)\]]?$/u', $last->text()) !== 1 ||
                preg_match('/^\p{Ll}/u', $line->text()) === 1;
        }
        $gap = $line->top - $last->bottom;
        $usual = $this->usualGap();
        $isIndented =
            $line->left > $this->open[0]->left + 0.7 * $line->size() &&
            count($this->open) > 1 &&
            $line->left > $last->left + 0.7 * $line->size();

        return $gap < $usual + 0.45 * $line->size() && ! $isIndented;
    }

    /** Between two lines of the open paragraph, or of any. */
    private function usualGap(): float
    {
        if (count($this->open) > 1) {
            $two = array_slice($this->open, -2);
            if ($two[1]->page === $two[0]->page && $two[1]->top > $two[0]->top) {
                return max($two[1]->top - $two[0]->bottom, -0.2 * $this->size);
            }
        }

        return $this->commonGap ??= $this->commonGap();
    }

    private ?float $commonGap = null;

    private function commonGap(): float
    {
        $gaps = [];
        foreach ($this->lines as $i => $line) {
            $next = $this->lines[$i + 1] ?? null;
            if (
                $next !== null &&
                $next->page === $line->page &&
                $next->top > $line->top &&
                $next->left < $line->right
            ) {
                $gaps[] = $next->top - $line->bottom;
            }
        }
        sort($gaps);

        return $gaps[intdiv(count($gaps), 2)] ?? 0.0;
    }

    private function isHeading(int $at): bool
    {
        $line = $this->lines[$at];
        $text = $line->text();
        $words = count($line->words);
        if (preg_match(self::CAPTION, $text) === 1) {
            return false;
        }
        if (
            $words > self::LONGEST_HEADING ||
            preg_match('/\p{L}{3}/u', $text) !== 1 ||
            preg_match('/[.;,]$/u', $text) === 1
        ) {
            return false;
        }
        $next = $this->lines[$at + 1] ?? null;
        if ($next === null || preg_match('/^[\d.\s"“‘(]*\p{Lu}/u', $text) !== 1) {
            return false;
        }
        if ($line->size() > self::LARGE * $this->size) {
            return ! $this->isLargePrint($at);
        }
        $isShort = $line->right - $line->left < 0.75 * ($next->right - $next->left)
            || $next->top < $line->top || ($this->hasAir($at) && $words < 4);
        if (SectionKind::of($text) !== null && $words <= 5 && $isShort && ! str_contains($text, ',')) {
            return true;
        }

        return $this->standsAlone($at) && $words <= 9 && preg_match('/^[\p{Lu}\d“"(]/u', $next->text()) === 1;
    }

    /** Whether a line is one of a whole paragraph in letters of its size. */
    private function isLargePrint(int $at): bool
    {
        $words = count($this->lines[$at]->words);
        for ($i = $at; $words <= self::LONGEST_TITLE && $this->isSamePrint($i, $i + 1); $i++) {
            $words += count($this->lines[$i + 1]->words);
        }
        for ($i = $at; $words <= self::LONGEST_TITLE && $this->isSamePrint($i - 1, $i); $i--) {
            $words += count($this->lines[$i - 1]->words);
        }

        return $words > self::LONGEST_TITLE;
    }

    private function isSamePrint(int $at, int $next): bool
    {
        [$line, $below] = [$this->lines[$at] ?? null, $this->lines[$next] ?? null];

        return $line !== null && $below !== null && $line->page === $below->page && $below->top > $line->top
            && $below->top - $line->bottom < 0.6 * $below->size() && abs($below->size() - $line->size()) < 0.5;
    }

    /** Whether a line stands further from the one above it than lines of a paragraph do, or has none above it. */
    private function hasAir(int $at): bool
    {
        $line = $this->lines[$at];
        $before = $this->lines[$at - 1] ?? null;
        $isBelow = $before !== null
            && $before->page === $line->page && $before->top < $line->top && $before->left < $line->right;

        return ! $isBelow || $line->top - $before->bottom > $this->commonGap() + 0.25 * $line->size();
    }

    /** Air above it, much of the line empty, and text of full width beneath it. */
    private function standsAlone(int $at): bool
    {
        $line = $this->lines[$at];
        $next = $this->lines[$at + 1];
        $width = $next->right - $next->left;

        return $this->hasAir($at) &&
            $next->page === $line->page &&
            $next->top > $line->top &&
            $line->right - $line->left < 0.8 * $width &&
            abs($next->left - $line->left) < 2 * $line->size() &&
            count($next->words) > 3;
    }

    /** The next line of a heading in large letters. */
    private function continuesHeading(Line $line): bool
    {
        $last = $this->lastHeading;

        return $last !== null &&
            $this->blocks !== [] &&
            $this->blocks[count($this->blocks) - 1]->kind === BlockKind::Heading &&
            $line->page === $last->page &&
            $line->top > $last->top &&
            $line->top - $last->bottom < 0.6 * $line->size() &&
            $line->size() > self::LARGE * $this->size &&
            abs($line->size() - $last->size()) < 0.5;
    }

    private function addHeading(Line $line): void
    {
        $text = $line->text();
        if ($this->continuesHeading($line)) {
            $text = array_pop($this->blocks)?->text." {$text}";
        }
        $this->lastHeading = $line;
        $this->section = SectionKind::of($text) ?? $this->section;
        $this->heading = $text;
        $this->blocks[] = new Block(BlockKind::Heading, $text, $line->page, $text, $this->section);
    }

    private function close(): void
    {
        if ($this->open !== []) {
            $text = $this->hyphens->joined($this->open);
            $this->blocks[] = new Block(
                BlockKind::Paragraph,
                $text,
                $this->open[0]->page,
                $this->heading,
                $this->section,
            );
            $this->open = [];
        }
    }
}
