<?php

declare(strict_types=1);

namespace App\Queries\Screening\Agreed;

/** What people said of items: all of it, and by the week in which the item opened; and how they are called. */
final readonly class SaidRows
{
    /**
     * @param  list<array{string, string, string}>  $all  item, person and what they said
     * @param  array<string, string>  $names
     * @param  array<string, list<array{string, string, string}>>  $byWeek
     */
    public function __construct(
        public array $all,
        public array $names,
        public array $byWeek,
    ) {
    }
}
