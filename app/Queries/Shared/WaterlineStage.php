<?php

declare(strict_types=1);

namespace App\Queries\Shared;

/** A stage of a review on its Waterline, with the one figure that says how far it is. */
final readonly class WaterlineStage
{
    /** @param  int  $waits  what waits there for the person who looks */
    public function __construct(
        public string $key,
        public string $label,
        public string $url,
        public int $figure,
        public string $unit,
        public int $waits = 0,
        public ?Outflow $outflow = null,
    ) {
    }
}
