<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

/** How many records of a database carry a heading, and how many that or a narrower one; null where not counted. */
final readonly class HeadingCounts
{
    public function __construct(public ?int $own = null, public ?int $exploded = null)
    {
    }
}
