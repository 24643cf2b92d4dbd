<?php

declare(strict_types=1);

namespace App\Queries\Library;

use Illuminate\Database\Query\Builder;

/** The publications that are left, and what each filter left. */
final readonly class NarrowedLibrary
{
    /**
     * @param  list<FilterStep>  $steps
     * @param  string  $stamp  of the review as it was counted
     */
    public function __construct(
        public Builder $query,
        public array $steps,
        public string $stamp,
    ) {
    }
}
