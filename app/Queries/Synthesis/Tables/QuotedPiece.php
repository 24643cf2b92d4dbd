<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Tables;

/** Words of a paper that a cell rests on, and where they stand. */
final readonly class QuotedPiece
{
    public function __construct(public string $quote, public string $where)
    {
    }
}
