<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Effect\Effect;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;

/** A study as it is handed in to be pooled. */
final readonly class StudyRow
{
    /** @param  ?TwoByTwo  $table  where it is of events */
    public function __construct(
        public string $name,
        public Effect $effect,
        public ?float $year = null,
        public string $group = '',
        public ?TwoByTwo $table = null,
    ) {
    }
}
