<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Distribution\ChiSquared;

/**
 * How much one study moves the pooled estimate, by what is without it (Viechtbauer & Cheung 2010, Res Synth Methods
 * 1:112, for a model of the mean alone).
 */
final readonly class Influence
{
    /**
     * @param  string  $study  its name
     * @param  float  $weight  its share of all weights, between 0 and 1: the leverage h
     * @param  ?float  $residual  externally studentised: (y − μ₋) / √(v + τ²₋ + se₋²)
     * @param  ?float  $dffits  (μ − μ₋) / √(h (v + τ²₋))
     * @param  ?float  $cook  (μ − μ₋)² Σw
     * @param  ?float  $covariance  se₋² / se²
     */
    private function __construct(
        public string $study,
        public float $weight,
        public ?float $residual,
        public ?float $dffits,
        public ?float $cook,
        public ?float $covariance,
        private int $k,
    ) {
    }

    /**
     * @param  list<Study>  $studies
     * @param  ?Model  $model  null for the common effect
     * @return list<self> in their order; none of fewer than three
     */
    public static function of(array $studies, ?Model $model): array
    {
        $k = count($studies);
        if ($k < 3) {
            return [];
        }
        $tau2 = $model?->tau2($studies) ?? 0.0;
        $all = Weighted::of($studies, $tau2);
        $found = [];
        foreach ($studies as $i => $study) {
            $others = $studies;
            array_splice($others, $i, 1);
            $found[] = $others === [] ? null : self::one($study, $all, $tau2, $others, $model, $k);
        }

        return array_values(array_filter($found));
    }

    /**
     * By the bounds that the authors give: |DFFITS| above 3 √(1 / (k − 1)), the probability of Cook's distance under
     * χ² on one degree above one half, or a weight above 3 / k.
     */
    public function isInfluential(): bool
    {
        return abs($this->dffits ?? 0.0) > 3 * sqrt(1 / ($this->k - 1)) ||
            ($this->cook !== null && $this->cook > 0.0 && 1 - ChiSquared::above($this->cook, 1) > 0.5) ||
            $this->weight > 3 / $this->k;
    }

    /** @param  non-empty-list<Study>  $others */
    private static function one(Study $study, Weighted $all, float $tau2, array $others, ?Model $model, int $k): self
    {
        $without = $model?->tau2($others) ?? 0.0;
        $rest = Weighted::of($others, $without);
        $weight = 1 / ($study->variance + $tau2) / $all->sum;
        $spread = $study->variance + $without;
        $moved = $all->mean - $rest->mean;

        return new self(
            $study->name,
            $weight,
            ($study->estimate - $rest->mean) / sqrt($spread + 1 / $rest->sum),
            $moved / sqrt($weight * $spread),
            $moved ** 2 * $all->sum,
            $all->sum / $rest->sum,
            $k,
        );
    }
}
