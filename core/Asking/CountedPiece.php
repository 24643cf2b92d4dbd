<?php

declare(strict_types=1);

namespace WaryHeron\Core\Asking;

/** A piece with how much it says of each term that was asked. */
final readonly class CountedPiece
{
    /**
     * @param  int  $length  in words
     * @param  list<float>  $counts  how often it says each term
     * @param  list<bool>  $own  whether it says each in its own words, not only beside them
     */
    public function __construct(public int $length, public array $counts, public array $own)
    {
    }
}
