<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/**
 * The list of references at the end of a paper, line by line as it is printed: what is set in stays set in, and where a
 * gap parts two references there is an empty line, so that whoever reads it can tell them apart.
 */
final class ReferenceSection
{
    /** What stands above a list, and nothing beside it: “Literature review” stands above something else. */
    private const HEADING = '/^\W*(?:\d[\d.]*\s+)?(?:list of |selected |cited )?(?:references?(?: list| cited| and notes)?'
        .'|bibliography|literature(?: cited)?|works cited|literatur(?:verzeichnis)?|r[ée]f[ée]rences(?: bibliographiques)?'
        .'|bibliographie|refer[eê]ncias(?: bibliogr[áa]ficas)?|bibliograf[ií]a)\W*$/iu';

    /** Words of a heading at most. */
    private const SHORT = 6;

    /** A number by itself. */
    private const MARK = '/^[\[(]?\d{1,4}[\])]?\.?$/';

    /** Lines by which it is told how large its letters are. */
    private const LETTERS = 30;

    /** So many of the lines are numbered one by one, where the lines of a manuscript are. */
    private const MOST_OF = 0.8;

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

        return $longest === [] ? null : SetLines::text(self::unnumbered(self::marked($longest, $lines)));
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
        return count($line->words) <= self::SHORT && preg_match(self::HEADING, $line->text()) === 1;
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
        if (count($line->words) > self::SHORT || preg_match('/[.,;:\d]$/u', $text) === 1) {
            return false;
        }
        $sizes = array_map(fn (Line $one): float => $one->size(), array_slice($before, 0, self::LETTERS));
        $isLarger = $sizes !== [] && $line->size() > 1.08 * self::median($sizes);

        return self::isHeading($line) || preg_match(self::AFTER, $text) === 1 ||
            ($isLarger && preg_match('/^(?:\d[\d.]*\s+)?\p{Lu}/u', $text) === 1 && SectionKind::of($text) !== null);
    }

    /** @param  non-empty-list<float>  $values */
    private static function median(array $values): float
    {
        sort($values);

        return $values[intdiv(count($values), 2)];
    }
}
