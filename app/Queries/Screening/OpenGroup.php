<?php

declare(strict_types=1);

namespace App\Queries\Screening;

/** Disagreements of one kind between the same people. */
final readonly class OpenGroup
{
    public function __construct(
        public string $kind,
        public string $pair,
        public string $names,
        public int $n,
    ) {
    }
}
