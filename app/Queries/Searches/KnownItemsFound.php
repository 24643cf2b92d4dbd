<?php

declare(strict_types=1);

namespace App\Queries\Searches;

/** Which known items the databases find, and why one of them could not be asked. */
final readonly class KnownItemsFound
{
    /** @param  array<string, array<string, mixed>>  $bySource  by database and item */
    public function __construct(
        public array $bySource,
        public string $failure,
    ) {
    }
}
