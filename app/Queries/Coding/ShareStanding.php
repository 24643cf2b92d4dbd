<?php

declare(strict_types=1);

namespace App\Queries\Coding;

/** Somebody with a share of the coding: how many studies it has, and how many of them are coded. */
final readonly class ShareStanding
{
    /** @param  ?string  $membership  null of somebody who has left the review */
    public function __construct(
        public string $id,
        public ?string $membership,
        public string $name,
        public int $given,
        public int $coded,
    ) {
    }
}
