<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Selector;

use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\Text\Span;

/** Finds words again: what was selected on screen, what a lead quotes, what stood in an older copy. */
final class Finder
{
    /** Letters beside a quote that are compared. */
    private const AROUND = 40;

    /**
     * Where a selection stands on its page. Of several places the one nearest to where it was made counts.
     *
     * @param  ?float  $height  of the middle of the selection, as a share of the page
     */
    public static function onPage(Page $page, string $selected, ?float $height = null): ?Selector
    {
        $best = null;
        $least = INF;
        foreach (Letters::of($page->words)->places(Letters::fold($selected)) as $place) {
            $word = $page->words[$place->first];
            $away = $height === null ? 0.0 : abs(($word->top + $word->bottom) / 2 / $page->height - $height);
            if ($away < $least) {
                [$least, $best] = [$away, $place];
            }
        }

        return $best === null ? null : Selector::of($page, $best->first, $best->last);
    }

    /**
     * Where a quote stands in a paper, which may be another copy of it: where most of what stood around it stands
     * around it again, and of such places on the page nearest to the old one. A quote that runs over the end of a page
     * is found by its beginning.
     *
     * @param  list<Page>  $pages
     */
    public static function inPaper(array $pages, Selector $old): ?Selector
    {
        $words = [];
        $starts = [];
        foreach ($pages as $i => $page) {
            $starts[$i] = count($words);
            array_push($words, ...$page->words);
        }
        $letters = Letters::of($words);
        [$best, $most] = [null, -INF];
        foreach ($letters->places(Letters::fold($old->quote)) as $place) {
            $page = $pages[self::pageOf($starts, $place->first)];
            $agree = self::around($letters, $place, $old) - 0.01 * abs($page->number - $old->page);
            if ($agree > $most) {
                [$most, $best] = [$agree, $place];
            }
        }
        if ($best === null) {
            return null;
        }
        $at = self::pageOf($starts, $best->first);
        $last = min($best->last - $starts[$at], count($pages[$at]->words) - 1);

        return Selector::of($pages[$at], $best->first - $starts[$at], $last);
    }

    /** How many letters beside the quote are those that stood there before. */
    private static function around(Letters $letters, Span $place, Selector $old): int
    {
        $before = strrev(substr(Letters::fold($old->prefix), -self::AROUND));
        $after = substr(Letters::fold($old->suffix), 0, self::AROUND);

        return self::same($before, strrev($letters->before($place->first, self::AROUND))) +
            self::same($after, $letters->after($place->last, self::AROUND));
    }

    private static function same(string $one, string $other): int
    {
        return strspn($one ^ $other, "\0");
    }

    /** @param  array<int, int>  $starts */
    private static function pageOf(array $starts, int $word): int
    {
        $at = 0;
        foreach ($starts as $i => $start) {
            if ($start <= $word) {
                $at = $i;
            }
        }

        return $at;
    }
}
