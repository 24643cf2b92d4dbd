<?php

declare(strict_types=1);

namespace App\Queries\Searches\Sheet;

/** A database that a strategy is counted in. */
final readonly class SheetSource
{
    public function __construct(public string $key, public string $name, public string $short)
    {
    }
}
