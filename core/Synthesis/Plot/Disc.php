<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/** A judgement as a disc, filled from below as far as it is bad; a dash where there is none. */
final class Disc
{
    /**
     * @param  Point  $at  its middle
     * @param  ?float  $level  0 best to 1 worst; null where nothing is judged
     */
    public static function draw(Drawing $draw, Point $at, float $r, ?float $level): void
    {
        [$x, $y] = [$at->x, $at->y];
        if ($level === null) {
            $draw->line($x - $r / 2, $y, $x + $r / 2, $y, ['stroke-opacity' => 0.5]);

            return;
        }
        $isFull = $level >= 1.0;
        $draw->circle($x, $y, $r, [
            'fill' => $isFull ? Drawing::ACCENT : 'none',
            'class' => $isFull ? 'plot-box' : 'map-ring',
            'stroke' => Drawing::ACCENT,
            'stroke-width' => 1.5,
        ]);
        if ($level > 0.0 && ! $isFull) {
            $height = $r - 2 * $r * $level;
            $half = sqrt($r ** 2 - $height ** 2);
            $isMost = $level > 0.5 ? 1 : 0;
            [$left, $right, $from, $round] = array_map(Drawing::n(...), [$x - $half, $x + $half, $y + $height, $r]);
            $draw->path(
                "M{$right} {$from}A{$round} {$round} 0 {$isMost} 1 {$left} {$from}z",
                ['fill' => Drawing::ACCENT, 'class' => 'plot-box'],
            );
        }
    }
}
