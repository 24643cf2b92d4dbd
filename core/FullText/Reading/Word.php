<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText\Reading;

/** A word on a page with the box around it, in points from the upper left corner of the page as shown. */
final readonly class Word
{
    public function __construct(
        public string $text,
        public float $left,
        public float $top,
        public float $right,
        public float $bottom,
    ) {
    }

    public function height(): float
    {
        return $this->bottom - $this->top;
    }
}
