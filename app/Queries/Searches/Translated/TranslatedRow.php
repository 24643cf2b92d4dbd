<?php

declare(strict_types=1);

namespace App\Queries\Searches\Translated;

/** A line of a strategy, and what stands for it in each database. */
final readonly class TranslatedRow
{
    /** @param  array<string, TranslatedCell>  $cells  by the key of the database */
    public function __construct(
        public string $id,
        public int $number,
        public string $note,
        public string $text,
        public array $cells,
    ) {
    }
}
