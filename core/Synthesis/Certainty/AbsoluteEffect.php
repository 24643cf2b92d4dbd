<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Certainty;

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;

/**
 * What a relative effect means for people of whom so many would have the event anyway: risks with it and the difference,
 * each as a share (Newcombe & Bender 2014, J Clin Epidemiol 67:1203).
 */
final readonly class AbsoluteEffect
{
    private function __construct(public float $baseline, public float $with)
    {
    }

    /**
     * @param  float  $effect  as shown: a ratio as a ratio
     * @param  float  $baseline  the risk without it, above 0 and below 1
     * @return ?self null where the measure is of no event
     */
    public static function of(AnalysisMeasure $measure, float $effect, float $baseline): ?self
    {
        $with = match ($measure) {
            AnalysisMeasure::RiskRatio => $baseline * $effect,
            AnalysisMeasure::OddsRatio, AnalysisMeasure::Peto => $effect * $baseline / (1 - $baseline + $effect * $baseline),
            AnalysisMeasure::RiskDifference => $baseline + $effect,
            default => null,
        };

        return $with === null ? null : new self($baseline, max(0.0, min(1.0, $with)));
    }

    /** Of a thousand people, how many more (above zero) or fewer. */
    public function perThousand(): int
    {
        return (int) round(1000 * ($this->with - $this->baseline));
    }

    public static function told(int $perThousand): string
    {
        return match (true) {
            $perThousand === 0 => 'no more and no fewer',
            $perThousand > 0 => "{$perThousand} more",
            default => abs($perThousand).' fewer',
        };
    }
}
