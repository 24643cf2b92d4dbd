<?php

declare(strict_types=1);

namespace App\Queries\Coding\Desk;

/** Where a study stands on the way of a person: its place from 0, null where it is on no way, how many there are, and the studies beside it. */
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
