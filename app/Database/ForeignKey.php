<?php

declare(strict_types=1);

namespace App\Database;

/** Which other table a table names, by which columns but that of the review, and whether it is bound to one review. */
final readonly class ForeignKey
{
    /** @param  list<string>  $columns */
    public function __construct(
        public string $table,
        public string $other,
        public array $columns,
        public bool $isBound,
    ) {
    }
}
