<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use stdClass;

/** Decisions by item, the settlement of each, and when something was last joined with it. */
final readonly class SaidByItem
{
    /**
     * @param  array<string, list<stdClass>>  $decisions
     * @param  array<string, stdClass>  $settlements
     * @param  array<string, string>  $heardAt
     */
    public function __construct(
        public array $decisions,
        public array $settlements,
        public array $heardAt,
    ) {
    }
}
