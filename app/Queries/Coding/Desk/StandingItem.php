<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

use JsonSerializable;

/** An item of the desk, with how it stands and what is in it. */
final readonly class StandingItem implements JsonSerializable
{
    public function __construct(public SlotItem $item, public string $standing, public ShownAnswer $answer)
    {
    }

    /** The item, with how it stands. */
    public function jsonSerialize(): object
    {
        return (object) [...get_object_vars($this->item), 'standing' => $this->standing, 'answer' => $this->answer];
    }
}
