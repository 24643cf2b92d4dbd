<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

/** A study's place on the way of a person, from 0, null where it is not on it; how many there are, and those beside it. */
final readonly class DeskPlace
{
    public function __construct(
        public ?int $at,
        public int $count,
        public ?string $before,
        public ?string $after,
    ) {
    }
}
