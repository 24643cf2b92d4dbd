<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

/** What the Coding Desk shows of one study. */
final readonly class DeskSheet
{
    /**
     * @param  list<StandingItem>  $items
     * @param  list<ShownLead>  $leads
     * @param  list<ReadableCopy>  $copies
     */
    public function __construct(public array $items, public array $leads, public array $copies)
    {
    }
}
