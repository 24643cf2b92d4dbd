<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Compare;

/** Words in a row that share a fate. */
final readonly class Piece
{
    public function __construct(public Fate $fate, public string $words)
    {
    }
}
