<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use WaryHeron\Core\Screening\Ranking\RecallEstimate;

/** How far a check sample has been read; the estimate when all of it is decided. */
final readonly class ReadSample
{
    public function __construct(
        public int $read,
        public int $all,
        public int $hits,
        public int $gone,
        public ?RecallEstimate $estimate,
    ) {
    }
}
