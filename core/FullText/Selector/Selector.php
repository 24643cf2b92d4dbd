<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Selector;

use WaryHeron\Core\FullText\Reading\Hyphens;
use WaryHeron\Core\FullText\Reading\Lines;
use WaryHeron\Core\FullText\Reading\Page;

/**
 * Words of a page, told in the three ways of the W3C Web Annotation Data Model (2017, section 4.2): by quote with what
 * stands around it, by position, and by the boxes they fill.
 */
final readonly class Selector
{
    private const AROUND = 8;

    /**
     * @param  int  $page  from 1
     * @param  int  $first  word of the page, from 0 in the order of its file; $last is the last one meant
     * @param  list<array{float, float, float, float}>  $boxes  left, top, right and bottom of each line, as shares of
     *     the page
     */
    public function __construct(
        public string $quote,
        public string $prefix,
        public string $suffix,
        public int $page,
        public int $first,
        public int $last,
        public array $boxes,
    ) {
    }

    public static function of(Page $page, int $first, int $last): self
    {
        return new self(
            self::text($page, $first, $last),
            self::text($page, max(0, $first - self::AROUND), $first - 1),
            self::text($page, $last + 1, min(count($page->words) - 1, $last + self::AROUND)),
            $page->number,
            $first,
            $last,
            self::boxes($page, $first, $last),
        );
    }

    /** As one reads it: words that a line end parts are whole. */
    private static function text(Page $page, int $first, int $last): string
    {
        $lines = Lines::of(self::part($page, $first, $last));

        return $lines === [] ? '' : Hyphens::of(Lines::of($page))->joined($lines);
    }

    /** @return list<array{float, float, float, float}> */
    private static function boxes(Page $page, int $first, int $last): array
    {
        $boxes = [];
        foreach (Lines::of(self::part($page, $first, $last)) as $line) {
            $boxes[] = [
                round($line->left / $page->width, 4),
                round($line->top / $page->height, 4),
                round($line->right / $page->width, 4),
                round($line->bottom / $page->height, 4),
            ];
        }

        return $boxes;
    }

    private static function part(Page $page, int $first, int $last): Page
    {
        $words = $last < $first ? [] : array_slice($page->words, $first, $last - $first + 1);

        return new Page($page->number, $page->width, $page->height, $words);
    }
}
