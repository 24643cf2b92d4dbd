<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

/** How far the seeking of a text is, since when, and why it is not retrievable. */
final readonly class SoughtStanding
{
    public function __construct(
        public string $id,
        public string $state,
        public string $reason,
        public string $dated,
    ) {
    }
}
