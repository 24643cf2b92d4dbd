<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use WaryHeron\Core\Text\Span;

/** A word as queries compare it, with the words of the page that make it: one that a line end parts is of two. */
final readonly class FoldedWord
{
    public function __construct(public string $folded, public Span $made)
    {
    }
}
