<?php

declare(strict_types=1);

namespace App\Queries\Report\Claims;

/** Which piece of evidence is meant: its kind, and its id among those of its kind. */
final readonly class PieceRef
{
    public function __construct(public string $kind, public string $id)
    {
    }

    public function key(): string
    {
        return "{$this->kind} {$this->id}";
    }
}
