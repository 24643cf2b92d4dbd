<?php

declare(strict_types=1);

namespace App\Queries\Coding\Reconcile;

/** How much two have both taken, and how much of it alike. */
final readonly class AlikeCount
{
    public function __construct(public int $both = 0, public int $alike = 0)
    {
    }

    public function and(bool $isOfBoth, bool $isAlike): self
    {
        return new self($this->both + (int) $isOfBoth, $this->alike + (int) $isAlike);
    }
}
