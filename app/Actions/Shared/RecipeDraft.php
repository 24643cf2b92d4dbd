<?php

declare(strict_types=1);

namespace App\Actions\Shared;

/** A recipe that is to be kept. */
final readonly class RecipeDraft
{
    /**
     * @param  string  $tableOf  library, coding or scouting
     * @param  string  $format  csv or xlsx
     * @param  array<string, string>  $filter  as the library's address has it
     * @param  string  $filterWords  the same in words
     */
    public function __construct(
        public string $tableOf,
        public string $name,
        public string $format,
        public RecipeColumns $columns,
        public array $filter = [],
        public string $filterWords = '',
    ) {
    }
}
