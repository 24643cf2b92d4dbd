<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

/** A heading right below another, as a line of its tree. */
final readonly class NarrowerHeading
{
    public function __construct(
        public string $label,
        public bool $hasNarrower,
        public ?int $own = null,
        public ?int $exploded = null,
    ) {
    }
}
