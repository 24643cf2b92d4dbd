<?php

declare(strict_types=1);

namespace App\Queries\Asking;

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;

/** What analyses are put in order by. Estimate and width are on the scale on which it is pooled. */
final readonly class WeighedAnalysis
{
    public function __construct(
        public string $title,
        public string $url,
        public AnalysisMeasure $measure,
        public int $k,
        public int $people,
        public ?float $i2,
        public ?float $estimate,
        public ?float $width,
        public string $shown,
    ) {
    }
}
