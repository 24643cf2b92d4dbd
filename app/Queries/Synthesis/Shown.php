<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use WaryHeron\Core\Synthesis\Choice\PooledEstimate;
use WaryHeron\Core\Synthesis\Distribution\Interval;
use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Effect\Effect;

/** Numbers of an analysis for people: from its scale to the one shown, with as many digits as say something. */
final class Shown
{
    public static function effect(AnalysisMeasure $measure, Effect $effect, ?float $size = null): string
    {
        return self::of($measure, $effect->estimate, $effect->interval(), $size);
    }

    public static function pooled(AnalysisMeasure $measure, PooledEstimate $pooled, ?float $size = null): string
    {
        return self::of($measure, $pooled->estimate, new Interval($pooled->low, $pooled->high), $size);
    }

    public static function of(AnalysisMeasure $measure, ?float $estimate, Interval $limits, ?float $size = null): string
    {
        if ($estimate === null) {
            return '';
        }
        $number = fn (?float $one): string => self::number($measure->shown($one, $size));
        $to = $measure->isRatio() ? '–' : ' to ';

        return $limits->low === null || $limits->high === null
            ? $number($estimate)
            : "{$number($estimate)} ({$number($limits->low)}{$to}{$number($limits->high)})";
    }

    public static function number(?float $number, int $places = 2): string
    {
        return match (true) {
            $number === null => '–',
            abs($number) >= 1000 => number_format($number),
            default => str_replace('-', "\u{2212}", number_format($number, abs($number) >= 100 ? 0 : (abs($number) >= 10 ? 1 : $places))),
        };
    }

    public static function p(?float $p): string
    {
        return match (true) {
            $p === null => '–',
            $p < 0.001 => '< 0.001',
            default => number_format($p, $p < 0.1 ? 3 : 2),
        };
    }
}
