<?php

declare(strict_types=1);

namespace App\Queries\Screening;

/** Words that are marked while reading, as the legend names them. */
final readonly class MarkedList
{
    /** What a list is that comes from a strategy; the team's own are for or against. */
    public const CONCEPT = 'concept';

    /** @param  string  $kind  concept, for or against */
    public function __construct(
        public string $key,
        public string $name,
        public string $kind,
        public string $style,
        public ?string $criterion,
    ) {
    }
}
