<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

use WaryHeron\Core\Synthesis\Distribution\StudentT;

/**
 * Studies pooled with a variance between them.
 *
 * Sources: Hartung & Knapp 2001 and Sidik & Jonkman 2002 (intervals by t); Higgins, Thompson & Spiegelhalter 2009
 * (prediction).
 */
final readonly class RandomEffects
{
    private Weighted $weighted;

    private int $k;

    /**
     * @param  non-empty-list<Study>  $studies
     * @param  ?float  $tau2  null where there is one study only
     */
    public function __construct(array $studies, public ?float $tau2)
    {
        $this->k = count($studies);
        $this->weighted = Weighted::of($studies, $tau2 ?? 0.0);
    }

    public function estimate(): Estimate
    {
        return $this->weighted->estimate();
    }

    /** In percent, by study. */
    public function weights(): object
    {
        return $this->weighted->percent();
    }

    /** @return array<string, int|float|object|array<string, int|float|null>|null> */
    public function toArray(): array
    {
        return [
            ...$this->estimate()->toArray(),
            'tau2' => $this->tau2,
            'tau' => $this->tau2 === null ? null : sqrt($this->tau2),
            'hksj' => $this->byT(false)->toArray(),
            'hksj_trunc' => $this->byT(true)->toArray(),
            'prediction' => $this->prediction(),
            'weights_pct' => $this->weights(),
        ];
    }

    /** @param  bool  $truncated  never narrower than without it */
    public function byT(bool $truncated): IntervalByT
    {
        $df = $this->k - 1;
        $q = $df < 1 ? 0.0 : $this->weighted->q() / $df;
        $q = $truncated && $df >= 1 ? max(1.0, $q) : $q;
        if ($q <= 0) {
            return new IntervalByT();
        }
        $mean = $this->weighted->mean;
        $se = sqrt($q / $this->weighted->sum);
        $half = StudentT::quantile(0.975, $df) * $se;

        $t = $mean / $se;

        return new IntervalByT($se, $df, $mean - $half, $mean + $half, $t, StudentT::twoSided($t, $df));
    }

    public function prediction(): Prediction
    {
        if ($this->k < 3 || $this->tau2 === null) {
            return new Prediction();
        }
        $df = $this->k - 2;
        $half = StudentT::quantile(0.975, $df) * sqrt($this->tau2 + 1 / $this->weighted->sum);

        return new Prediction($this->weighted->mean - $half, $this->weighted->mean + $half, $df);
    }
}
