<?php

declare(strict_types=1);

namespace App\Queries\Drafting;

/** What of a draft waits for people to take it over. */
final readonly class WaitingParts
{
    public function __construct(public int $criteria, public int $papers, public int $items, public int $sections)
    {
    }
}
