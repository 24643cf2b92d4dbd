<?php

declare(strict_types=1);

namespace App\Queries\Searches\Sheet;

/** A limit of a strategy. */
final readonly class SheetLimit
{
    /**
     * @param  bool  $exclude  whether it takes away what it names
     * @param  list<string>  $lacking  chosen databases that have no such limit
     */
    public function __construct(
        public string $id,
        public string $text,
        public bool $exclude,
        public int $number,
        public array $lacking,
    ) {
    }
}
