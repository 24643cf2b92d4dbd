<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

/** How many copies came from the shelf, and why others did not. */
final readonly class BroughtCopies
{
    /** @param  list<string>  $refused */
    public function __construct(
        public int $came,
        public array $refused,
    ) {
    }
}
