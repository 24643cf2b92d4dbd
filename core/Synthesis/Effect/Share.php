<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

/**
 * A share x of n.
 *
 * Sources: Freeman & Tukey 1950 (double arcsine), Miller 1978 (its inverse).
 */
final readonly class Share
{
    private function __construct(private float $x, private float $n)
    {
    }

    /** Null where something is missing, n is not above zero, or x is not within 0 to n. */
    public static function of(?float $x, ?float $n): ?self
    {
        return $x === null || $n === null || $n <= 0 || $x < 0 || $x > $n ? null : new self($x, $n);
    }

    public function logit(): Effect
    {
        $added = $this->x == 0 || $this->x == $this->n ? 0.5 : 0.0;
        [$x, $rest] = [$this->x + $added, $this->n - $this->x + $added];

        return Effect::of(log($x / $rest), 1 / $x + 1 / $rest);
    }

    public static function fromLogit(?float $y): ?float
    {
        return $y === null ? null : 1 / (1 + exp(-$y));
    }

    public function doubleArcsine(): Effect
    {
        return Effect::of(self::arcsine($this->x, $this->n), 1 / (4 * $this->n + 2));
    }

    /** Back from the double arcsine, for this n; what lies beyond the value of 0 or of n of n is 0 or 1. */
    public function fromDoubleArcsine(?float $y): ?float
    {
        if ($y === null) {
            return null;
        }
        if ($y <= self::arcsine(0, $this->n) || $y >= self::arcsine($this->n, $this->n)) {
            return $y <= self::arcsine(0, $this->n) ? 0.0 : 1.0;
        }
        $sine = sin(2 * $y);
        $inner = $sine + ($sine - 1 / $sine) / $this->n;

        return 0.5 * (1 - (cos(2 * $y) <=> 0) * sqrt(max(0, 1 - $inner * $inner)));
    }

    private static function arcsine(float $x, float $n): float
    {
        return 0.5 * (asin(sqrt($x / ($n + 1))) + asin(sqrt(($x + 1) / ($n + 1))));
    }
}
