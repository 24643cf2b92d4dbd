<?php

declare(strict_types=1);

namespace App\Queries\Coding\Table;

/** Numbers from one to another, as the database reads them. */
final readonly class NumberBounds
{
    public function __construct(public string $low, public string $high)
    {
    }
}
