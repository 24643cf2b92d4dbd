<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

/** How many records a term finds in a database. */
final readonly class TermCount
{
    public function __construct(public string $source, public int $count)
    {
    }
}
