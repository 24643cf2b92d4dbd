<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

/** One item by itself: asked, answered, and with what a lead says of it. */
final readonly class SlotAtHand
{
    public function __construct(public SlotItem $item, public ShownAnswer $answer, public ?ShownLead $lead)
    {
    }
}
