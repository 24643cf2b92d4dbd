<?php

declare(strict_types=1);

namespace App\Queries\Searches;

use App\Sources\Page;
use WaryHeron\Core\Search\Text\Highlighter;

/** A page of what a line finds in a database, or why there is none. */
final readonly class FoundPage
{
    /**
     * @param  int  $number  of the page, from 1
     * @param  string  $failure  in words, '' for none
     * @param  ?Highlighter  $highlighter  of what was looked for; null where it could not be read
     */
    public function __construct(
        public int $number,
        public int $pages,
        public ?Page $page,
        public string $failure,
        public ?Highlighter $highlighter,
    ) {
    }
}
