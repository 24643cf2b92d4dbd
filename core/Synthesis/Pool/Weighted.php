<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

/**
 * Studies weighted by the inverse of their variance and, with τ² above zero, of the variance between studies added to
 * it: the sums that all of pooling is made of.
 */
final readonly class Weighted
{
    /**
     * @param  list<Study>  $studies
     * @param  list<float>  $weights
     */
    private function __construct(
        private array $studies,
        private array $weights,
        public float $sum,
        public float $mean,
    ) {
    }

    /** @param  non-empty-list<Study>  $studies */
    public static function of(array $studies, float $tau2 = 0.0): self
    {
        $weights = [];
        $sum = $total = 0.0;
        foreach ($studies as $study) {
            $weight = 1 / ($study->variance + $tau2);
            $weights[] = $weight;
            $sum += $weight;
            $total += $weight * $study->estimate;
        }

        return new self($studies, $weights, $sum, $total / $sum);
    }

    public function estimate(): Estimate
    {
        return Estimate::of($this->mean, 1 / $this->sum);
    }

    /** Σ w (y − μ)². */
    public function q(): float
    {
        $q = 0.0;
        foreach ($this->studies as $i => $study) {
            $q += $this->weights[$i] * ($study->estimate - $this->mean) ** 2;
        }

        return $q;
    }

    /** Σ w to a power. */
    public function powers(int $power): float
    {
        $sum = 0.0;
        foreach ($this->weights as $weight) {
            $sum += $weight ** $power;
        }

        return $sum;
    }

    public function restrictedLikelihood(): float
    {
        $logs = 0.0;
        foreach ($this->weights as $weight) {
            $logs += log($weight);
        }

        return -0.5 * (-$logs + log($this->sum) + $this->q());
    }

    /** In percent, by study. */
    public function percent(): object
    {
        $percent = [];
        foreach ($this->studies as $i => $study) {
            $percent[$study->name] = 100 * $this->weights[$i] / $this->sum;
        }

        return (object) $percent;
    }
}
