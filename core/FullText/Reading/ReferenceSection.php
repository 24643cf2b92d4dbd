<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/**
 * The list of references at the end of a paper, line by line as it is printed: what is set in stays set in, and where a
 * gap parts two references there is an empty line, so that whoever reads it can tell them apart.
 */
final class ReferenceSection
{
    /** Words of a heading at most. */
    private const HEADING = 6;

    /** So many heights further to the right, a line is set in. */
    private const SET_IN = 0.5;

    /** So many heights more than between other lines, two lines stand apart. */
    private const APART = 0.35;

    /** A number by itself. */
    private const MARK = '/^[\[(]?\d{1,4}[\])]?\.?$/';

    /** Lines by which it is told how large its letters are. */
    private const LETTERS = 30;

    /** Columns before and after one that are looked at. */
    private const BESIDE = 8;

    /** So many of the lines are numbered one by one, where the lines of a manuscript are. */
    private const MOST_OF = 0.8;

    /** Lines of a column among which one will begin a reference. */
    private const TELLING = 5;

    /** What stands behind a list and is none of it, where it is not told by larger letters. */
    private const AFTER = '/^(?:appendi(?:x|ces)\b.*|suppl\w+(?: \w+)?|figure legends?|tables?|figures?|abbreviations'
        .'|acknowledge?ments?|funding|(?:author )?contributions?|data availability(?: statement)?|publisher’?s note'
        .'|(?:conflicts?|declarations?) of interests?|competing interests?|about the authors?|correspondence)$/iu';

    /**
     * @param  iterable<Page>  $pages
     * @return ?string  lines; null where no heading tells of a list
     */
    public static function of(iterable $pages): ?string
    {
        $lines = $heights = [];
        foreach ($pages as $page) {
            $lines[] = Lines::of($page);
            $heights[] = $page->height;
        }
        $lines = $lines === [] ? [] : array_merge(...Furniture::without($lines, $heights));
        $longest = [];
        foreach ($lines as $i => $line) {
            $section = self::isHeading($line) ? self::from($lines, $i) : [];
            $longest = count($section) > count($longest) ? $section : $longest;
        }

        return $longest === [] ? null : self::written(self::unnumbered(self::marked($longest, $lines)));
    }

    /**
     * With numbers that were written into the file apart from the lines before which they stand.
     *
     * @param  non-empty-list<Line>  $section
     * @param  list<Line>  $lines  all of the paper
     * @return non-empty-list<Line>
     */
    private static function marked(array $section, array $lines): array
    {
        $isMark = fn (Line $line): bool => preg_match(self::MARK, trim($line->text())) === 1;
        $marks = [];
        foreach (array_filter($lines, $isMark) as $mark) {
            $marks[$mark->page][] = $mark;
        }
        $marked = [];
        $used = new \SplObjectStorage();
        foreach ($section as $line) {
            $before = fn (Line $one): bool => $one !== $line && self::standsBefore($one, $line);
            $found = array_filter($marks[$line->page] ?? [], $before);
            $mark = reset($found);
            if ($mark === false) {
                $marked[] = $line;

                continue;
            }
            $used->attach($mark);
            $marked[] = new Line($line->page, [...$mark->words, ...$line->words]);
        }
        $kept = array_values(array_filter($marked, fn (Line $line): bool => ! $used->contains($line)));

        return $kept === [] ? $section : $kept;
    }

    /**
     * Without the numbers of its lines, as manuscripts have them in the margin.
     *
     * @param  non-empty-list<Line>  $lines
     * @return non-empty-list<Line>
     */
    private static function unnumbered(array $lines): array
    {
        $steps = 0;
        $last = null;
        foreach ($lines as $line) {
            $number = self::number($line);
            $steps += $last !== null && $number === $last + 1 ? 1 : 0;
            $last = $number;
        }
        // references that are numbered mostly take more than a line each, and are counted from one
        if (self::number($lines[0]) === 1 || $steps < self::MOST_OF * (count($lines) - 1) || $steps < 2) {
            return $lines;
        }

        return array_map(function (Line $line): Line {
            $words = self::number($line) === null ? [] : array_slice($line->words, 1);

            return $words === [] ? $line : new Line($line->page, $words);
        }, $lines);
    }

    private static function number(Line $line): ?int
    {
        return preg_match('/^\d{1,4}$/', $line->words[0]->text) === 1 ? (int) $line->words[0]->text : null;
    }

    private static function standsBefore(Line $mark, Line $line): bool
    {
        $size = $line->size();

        return abs($mark->middle() - $line->middle()) < 0.5 * $size &&
            $line->left - $mark->right > -0.2 * $size &&
            $line->left - $mark->right < 4 * $size;
    }

    private static function isHeading(Line $line): bool
    {
        return count($line->words) <= self::HEADING && SectionKind::of($line->text()) === SectionKind::References;
    }

    /**
     * @param  list<Line>  $lines
     * @return list<Line> from behind the heading to the next one, or to the end
     */
    private static function from(array $lines, int $heading): array
    {
        $section = [];
        for ($i = $heading + 1; $i < count($lines) && ! self::ends($lines[$i], $section); $i++) {
            $section[] = $lines[$i];
        }

        return $section;
    }

    /** @param  list<Line>  $before */
    private static function ends(Line $line, array $before): bool
    {
        $text = trim($line->text());
        if (count($line->words) > self::HEADING || preg_match('/[.,;:\d]$/u', $text) === 1) {
            return false;
        }
        $sizes = array_map(fn (Line $one): float => $one->size(), array_slice($before, 0, self::LETTERS));
        $isLarger = $sizes !== [] && $line->size() > 1.08 * self::median($sizes);

        return self::isHeading($line) || preg_match(self::AFTER, $text) === 1 ||
            ($isLarger && preg_match('/^(?:\d[\d.]*\s+)?\p{Lu}/u', $text) === 1 && SectionKind::of($text) !== null);
    }

    /** @param  non-empty-list<Line>  $lines */
    private static function written(array $lines): string
    {
        $columns = self::columns($lines);
        $usual = self::usualGap($columns);
        $lefts = array_map(self::least(...), $columns);
        $text = '';
        foreach ($columns as $at => $column) {
            $left = count($column) < self::TELLING ? self::leftBeside($lefts, $at, 4 * $column[0]->size()) : $lefts[$at];
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

    /** @param  non-empty-list<float>  $values */
    private static function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)];
    }
}
