<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/** Words in a picture, for whoever checks that none overlap: their left end, their line, and the room they take. */
final readonly class PlacedText
{
    public function __construct(
        public string $text,
        public float $x,
        public float $y,
        public float $width,
        public float $height,
    ) {
    }
}
