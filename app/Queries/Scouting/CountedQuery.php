<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

/** A query in a source’s own language, and how many records it finds; an empty one finds nothing. */
final readonly class CountedQuery
{
    public function __construct(public string $text = '', public int $count = 0)
    {
    }
}
