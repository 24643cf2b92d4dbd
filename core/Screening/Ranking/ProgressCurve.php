<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/**
 * Included found against items read, as lines to be drawn; a straight line to the last point is what random order would
 * give.
 */
final readonly class ProgressCurve
{
    private function __construct(public string $path, public string $straight, public int $read, public int $found)
    {
    }

    /**
     * @param  list<array{int, int}>  $points  items read and included ones among them, ascending
     * @param  int  $all  items that there are, read or not
     * @param  float  $width  in user units, the origin at the upper left
     */
    public static function of(array $points, int $all, float $width, float $height): self
    {
        [$read, $found] = $points === [] ? [0, 0] : $points[count($points) - 1];
        $x = fn (int $n): float => round(($width * $n) / max(1, $all), 1);
        $y = fn (int $n): float => round($height - ($height * $n) / max(1, $found), 1);
        $path = "M0 {$y(0)}";
        foreach ($points as [$n, $m]) {
            $path .= "L{$x($n)} {$y($m)}";
        }

        return new self($path, "M0 {$y(0)}L{$x($read)} {$y($found)}", $read, $found);
    }
}
