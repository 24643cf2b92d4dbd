<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use App\Models\Decision;

/** How an item stands for whoever has just decided on it. */
final readonly class Standing
{
    private function __construct(public bool $open, public MyVerdict $mine)
    {
    }

    public static function after(Decision $decision): self
    {
        return new self($decision->item->state->isOpen(), MyVerdict::of($decision));
    }
}
