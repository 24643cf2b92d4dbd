<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

/**
 * Means and standard deviations of two groups.
 *
 * Sources: Hedges 1981 and Hedges & Olkin 1985 (standardised mean difference), Hedges, Gurevitch & Curtis 1999 (ratio
 * of means).
 */
final readonly class TwoMeans
{
    private function __construct(
        private float $n1,
        private float $m1,
        private float $sd1,
        private float $n2,
        private float $m2,
        private float $sd2,
    ) {
    }

    /** Null where something is missing, a group is smaller than 2 or an SD is below zero. */
    public static function of(?float $n1, ?float $m1, ?float $sd1, ?float $n2, ?float $m2, ?float $sd2): ?self
    {
        if ($n1 === null || $m1 === null || $sd1 === null || $n2 === null || $m2 === null || $sd2 === null) {
            return null;
        }

        return $n1 < 2 || $n2 < 2 || $sd1 < 0 || $sd2 < 0 ? null : new self($n1, $m1, $sd1, $n2, $m2, $sd2);
    }

    public function difference(): Effect
    {
        return Effect::of($this->m1 - $this->m2, $this->sd1 ** 2 / $this->n1 + $this->sd2 ** 2 / $this->n2);
    }

    /** Cohen's d, by the pooled SD. */
    public function standardised(): Effect
    {
        return $this->corrected(1.0);
    }

    /** Hedges' g with the exact correction. */
    public function hedges(): Effect
    {
        return $this->corrected($this->exactCorrection());
    }

    /** Hedges' g with the approximate correction. */
    public function hedgesApproximately(): Effect
    {
        return $this->corrected($this->approximateCorrection());
    }

    public function logRatio(): Effect
    {
        return $this->m1 * $this->m2 > 0
            ? Effect::of(
                log($this->m1 / $this->m2),
                $this->sd1 ** 2 / ($this->n1 * $this->m1 ** 2) + $this->sd2 ** 2 / ($this->n2 * $this->m2 ** 2),
            )
            : Effect::undefined();
    }

    /** J, as SmallSamples gives it. */
    public function exactCorrection(): float
    {
        return SmallSamples::exact($this->freedom());
    }

    public function approximateCorrection(): float
    {
        return SmallSamples::approximate($this->freedom());
    }

    private function freedom(): float
    {
        return $this->n1 + $this->n2 - 2;
    }

    private function corrected(float $j): Effect
    {
        $pooled = sqrt(
            (($this->n1 - 1) * $this->sd1 ** 2 + ($this->n2 - 1) * $this->sd2 ** 2) / $this->freedom(),
        );
        if ($pooled == 0) {
            return Effect::undefined();
        }
        $g = $j * ($this->m1 - $this->m2) / $pooled;

        return Effect::of($g, 1 / $this->n1 + 1 / $this->n2 + $g * $g / (2 * ($this->n1 + $this->n2)));
    }
}
