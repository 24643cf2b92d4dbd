<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** A page with its words, in the order in which they were written into the file. */
final readonly class Page
{
    /** @param  list<Word>  $words */
    public function __construct(public int $number, public float $width, public float $height, public array $words)
    {
    }
}
