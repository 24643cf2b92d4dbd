<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Document;

/** What a document only names, as it is to be shown. All but words are HTML that needs no more cleaning. */
interface Resolver
{
    /** A live block with its caption. */
    public function block(Node $block): string;

    /** Words of a citation, such as “(Birkeland 2024)”, as HTML. */
    public function citation(Node $cite): string;

    /** @param  string  $words  HTML of the words that say it */
    public function claim(string $id, string $words): string;

    public function footnote(Node $note): string;

    /** A figure or table by its number, as HTML. */
    public function reference(Node $reference): string;
}
