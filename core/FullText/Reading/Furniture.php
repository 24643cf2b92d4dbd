<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** What stands around the text of a page and is none of it: running heads and page numbers. */
final class Furniture
{
    /** The outer part of a page in which it stands. */
    private const MARGIN = 0.12;

    /** Points by which its height differs from page to page. */
    private const SLACK = 3.0;

    private const NUMBER = '/^[\p{Pd}\s|]*(?:page|p\.)?\s*(?:\d{1,4}|[ivxl]{1,6})(?:\s*(?:of|\/)\s*\d{1,4})?[\p{Pd}\s|]*$/iu';

    /**
     * @param  list<list<Line>>  $pages  the lines of each page
     * @param  list<float>  $heights  of the pages
     * @return list<list<Line>> the same without furniture
     */
    public static function without(array $pages, array $heights): array
    {
        $repeated = self::repeated($pages, $heights);
        $kept = [];
        foreach ($pages as $i => $lines) {
            [$first, $last] = [self::outermost($lines, true), self::outermost($lines, false)];
            $isFurniture = fn (Line $line): bool => self::isInMargin($line, $heights[$i]) &&
                (self::isRepeated($line, $repeated) ||
                    (($line === $first || $line === $last) && preg_match(self::NUMBER, $line->text()) === 1) ||
                    ($i > 0 && self::isHead($line, $lines, $heights[$i])));
            $kept[] = array_values(array_filter($lines, fn (Line $line): bool => ! $isFurniture($line)));
        }

        return $kept;
    }

    /**
     * @param  list<list<Line>>  $pages
     * @param  list<float>  $heights
     * @return array<string, list<float>> texts, digits masked, that stand in the margin of several pages, with their
     *     heights there
     */
    private static function repeated(array $pages, array $heights): array
    {
        $found = [];
        foreach ($pages as $i => $lines) {
            foreach ($lines as $line) {
                foreach (self::isInMargin($line, $heights[$i]) ? $line->parts() : [] as $part) {
                    $found[self::mask($part)][$i] = $part->middle();
                }
            }
        }
        $least = max(2, count($pages) / 4);

        return array_map(array_values(...), array_filter($found, fn (array $on): bool => count($on) >= $least));
    }

    /**
     * Whether a part of the line is repeated; what stands beside it goes with it.
     *
     * @param  array<string, list<float>>  $repeated
     */
    private static function isRepeated(Line $line, array $repeated): bool
    {
        foreach ($line->parts() as $part) {
            $near = array_filter(
                $repeated[self::mask($part)] ?? [],
                fn (float $height): bool => abs($height - $part->middle()) <= self::SLACK,
            );
            if (count($near) >= 2) {
                return true;
            }
        }

        return false;
    }

    private static function isInMargin(Line $line, float $height): bool
    {
        return $line->bottom < self::MARGIN * $height || $line->top > (1 - self::MARGIN) * $height;
    }

    private static function mask(Line $line): string
    {
        return trim((string) preg_replace('/\d+/', '#', mb_strtolower($line->text())));
    }

    /**
     * A head on the second page of two, which nothing repeats: small, short, at the very top, with air beneath it.
     *
     * @param  list<Line>  $lines
     */
    private static function isHead(Line $line, array $lines, float $height): bool
    {
        if ($line->bottom > 0.08 * $height || count($line->words) > 14) {
            return false;
        }
        $beneath = array_filter($lines, fn (Line $one): bool => $one->top > $line->bottom - 1);
        if ($beneath === [] || count($lines) - count($beneath) > 3) {
            return false;
        }
        $gap = min(array_map(fn (Line $one): float => $one->top, $beneath)) - $line->bottom;
        $sizes = array_map(fn (Line $one): float => $one->size(), $beneath);
        sort($sizes);

        return $gap > 1.0 * $line->size() && $line->size() < $sizes[intdiv(count($sizes), 2)];
    }

    /** @param  list<Line>  $lines */
    private static function outermost(array $lines, bool $top): ?Line
    {
        $outermost = null;
        foreach ($lines as $line) {
            if ($outermost === null || ($top ? $line->top < $outermost->top : $line->bottom > $outermost->bottom)) {
                $outermost = $line;
            }
        }

        return $outermost;
    }
}
