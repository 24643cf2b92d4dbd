<?php

declare(strict_types=1);

namespace App\Queries\Asking;

/** Analyses in the order of what was asked for, and how they were put in it. */
final readonly class OrderedAnalyses
{
    /** @param  list<OrderedRow>  $rows */
    public function __construct(
        public string $of,
        public string $how,
        public array $rows,
    ) {
    }
}
