<?php

declare(strict_types=1);

namespace App\Queries\Matching;

/** The group at hand, and how many there are: left, open with others, put off. */
final readonly class PairingDesk
{
    public function __construct(
        public ?PairingGroup $group = null,
        public int $left = 0,
        public int $claimed = 0,
        public int $later = 0,
    ) {
    }
}
