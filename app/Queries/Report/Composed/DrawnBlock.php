<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

/** A live block as a page draws it. */
final readonly class DrawnBlock
{
    public function __construct(
        public string $title,
        public string $html,
        public string $kind,
        public string $source,
    ) {
    }
}
