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

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            ...$this->estimate()->toArray(),
            'tau2' => $this->tau2,
            'tau' => $this->tau2 === null ? null : sqrt($this->tau2),
            'hksj' => $this->byT(false),
            'hksj_trunc' => $this->byT(true),
            'prediction' => $this->prediction(),
            'weights_pct' => $this->weights(),
        ];
    }

    /**
     * @param  bool  $truncated  never narrower than without it
     * @return array{se: ?float, df: ?int, ci_low: ?float, ci_high: ?float, t: ?float, p: ?float}
     */
    public function byT(bool $truncated): array
    {
        $df = $this->k - 1;
        $q = $df < 1 ? 0.0 : $this->weighted->q() / $df;
        $q = $truncated && $df >= 1 ? max(1.0, $q) : $q;
        if ($q <= 0) {
            return ['se' => null, 'df' => null, 'ci_low' => null, 'ci_high' => null, 't' => null, 'p' => null];
        }
        $se = sqrt($q / $this->weighted->sum);
        $t = $this->weighted->mean / $se;
        $half = StudentT::quantile(0.975, $df) * $se;

        return [
            'se' => $se,
            'df' => $df,
            'ci_low' => $this->weighted->mean - $half,
            'ci_high' => $this->weighted->mean + $half,
            't' => $t,
            'p' => StudentT::twoSided($t, $df),
        ];
    }

    /** @return array{low: ?float, high: ?float, df: ?int} where the effect of a further study is to be expected */
    public function prediction(): array
    {
        if ($this->k < 3 || $this->tau2 === null) {
            return ['low' => null, 'high' => null, 'df' => null];
        }
        $df = $this->k - 2;
        $half = StudentT::quantile(0.975, $df) * sqrt($this->tau2 + 1 / $this->weighted->sum);

        return ['low' => $this->weighted->mean - $half, 'high' => $this->weighted->mean + $half, 'df' => $df];
    }
}
