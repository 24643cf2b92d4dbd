<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Selector\Finder;
use WaryHeron\Core\FullText\Selector\Selector;

/**
 * Looks up where the words of evidence stand in its copy, so that a quote is what the paper says and not what a browser
 * made of it. What cannot be found in the words that were read, as where letters are badly encoded, stays as it was.
 */
final readonly class PlacedWords
{
    /** @param  array<string, array<int, Page>>  $pages  by copy, then number */
    private function __construct(private array $pages)
    {
    }

    /**
     * @param  list<Evidence>  $pieces
     * @return list<Evidence>
     */
    public static function of(string $reviewId, array $pieces): array
    {
        $copies = array_filter(array_map(fn (Evidence $one): ?string => $one->copy, $pieces));
        if ($copies === []) {
            return $pieces;
        }
        $numbers = [];
        foreach ($pieces as $piece) {
            // what runs over the end of a page may be said to stand on either
            array_push($numbers, ...range(max(1, $piece->selector->page - 1), $piece->selector->page + 1));
        }
        $placed = new self(PaperPages::some($reviewId, array_values($copies), array_values(array_unique($numbers))));

        return array_map($placed->placed(...), $pieces);
    }

    private function placed(Evidence $piece): Evidence
    {
        $found = $piece->copy === null ? null : $this->found($piece->selector, $this->pages[$piece->copy] ?? []);

        return $found === null ? $piece : new Evidence($found, $piece->copy);
    }

    /** @param  array<int, Page>  $pages */
    private function found(Selector $selected, array $pages): ?Selector
    {
        $box = $selected->boxes[0] ?? null;
        $height = $box === null ? null : ($box[1] + $box[3]) / 2;
        $own = $pages[$selected->page] ?? null;
        $beside = array_filter(
            $pages,
            fn (int $number): bool => abs($number - $selected->page) <= 1,
            ARRAY_FILTER_USE_KEY,
        );

        return ($own === null ? null : Finder::onPage($own, $selected->quote, $height)) ??
            Finder::inPaper(array_values($beside), $selected);
    }
}
