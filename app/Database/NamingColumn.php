<?php

declare(strict_types=1);

namespace App\Database;

/** A column by which a row of a review may name another row of it. */
final readonly class NamingColumn
{
    public function __construct(public string $table, public string $column)
    {
    }
}
