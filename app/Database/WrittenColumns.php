<?php

declare(strict_types=1);

namespace App\Database;

/** The columns of each table that are written, and those of them that the database numbers. */
final readonly class WrittenColumns
{
    /**
     * @param  array<string, list<string>>  $all  by table
     * @param  array<string, list<string>>  $numbered  by table
     */
    public function __construct(
        public array $all,
        public array $numbered,
    ) {
    }
}
