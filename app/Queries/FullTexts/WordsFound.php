<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use WaryHeron\Core\FullText\Selector\Letters;
use WaryHeron\Core\FullText\Selector\Selector;

/** Where words stand in a copy, for whoever looks for them on its pages. */
final class WordsFound
{
    private const MOST = 200;

    private const SHORTEST = 2;

    /** @return list<array{page: int, boxes: list<array{float, float, float, float}>}> */
    public static function in(string $reviewId, string $fullTextId, string $words): array
    {
        $sought = Letters::fold(mb_substr($words, 0, 200));
        $found = [];
        if (mb_strlen($sought) < self::SHORTEST) {
            return $found;
        }
        foreach (PaperPages::of($reviewId, $fullTextId) as $page) {
            foreach (Letters::of($page->words)->places($sought) as [$first, $last]) {
                $found[] = ['page' => $page->number, 'boxes' => Selector::of($page, $first, $last)->boxes];
                if (count($found) === self::MOST) {
                    return $found;
                }
            }
        }

        return $found;
    }
}
