<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

/** What an analysis pools: which measure, on which scale, and how its estimates are shown. */
enum AnalysisMeasure: string
{
    case RiskRatio = 'RR';
    case OddsRatio = 'OR';
    case RiskDifference = 'RD';
    case Peto = 'PETO';
    case MeanDifference = 'MD';
    case StandardisedMeanDifference = 'SMD';
    case StandardisedApproximately = 'SMD-approximate';
    case RatioOfMeans = 'ROM';
    case Ratio = 'ratio';
    case Correlation = 'correlation';
    case ShareByLogit = 'share';
    case ShareByArcsine = 'share-arcsine';

    public function label(): string
    {
        return match ($this) {
            self::RiskRatio => 'relative risk',
            self::OddsRatio => 'odds ratio',
            self::RiskDifference => 'difference of risks',
            self::Peto => 'odds ratio by Peto',
            self::MeanDifference => 'difference of means',
            self::StandardisedMeanDifference => 'standardised difference of means',
            self::StandardisedApproximately => 'standardised difference of means, approximate correction',
            self::RatioOfMeans => 'ratio of means',
            self::Ratio => 'ratio',
            self::Correlation => 'correlation',
            self::ShareByLogit => 'share, by logits',
            self::ShareByArcsine => 'share, by double arcsine',
        };
    }

    /** At the head of a column. */
    public function short(): string
    {
        return match ($this) {
            self::StandardisedApproximately => 'SMD',
            self::Peto => 'Peto OR',
            self::Ratio => 'Ratio',
            self::Correlation => 'r',
            self::ShareByLogit, self::ShareByArcsine => 'Share',
            default => $this->value,
        };
    }

    /** As the pooling knows it. */
    public function pooled(): Measure
    {
        return Measure::tryFrom($this->value) ??
            ($this === self::StandardisedApproximately ? Measure::StandardisedMeanDifference : Measure::Generic);
    }

    /** Whether it is analysed as a logarithm. */
    public function isRatio(): bool
    {
        return $this === self::Ratio || $this->pooled()->isRatio();
    }

    /** Where nothing differs, on the scale shown; null where there is no such value. */
    public function nothing(): ?float
    {
        return match (true) {
            $this === self::ShareByLogit, $this === self::ShareByArcsine => null,
            $this->isRatio() => 1.0,
            default => 0.0,
        };
    }

    /**
     * From the scale of the analysis to the one shown.
     *
     * @param  ?float  $size  for shares by double arcsine: how many people the estimate is of (the harmonic mean of the
     *     studies' numbers where it is of several, Miller 1978)
     */
    public function shown(?float $estimate, ?float $size = null): ?float
    {
        return match (true) {
            $estimate === null => null,
            $this->isRatio() => exp($estimate),
            $this === self::Correlation => Correlation::back($estimate),
            $this === self::ShareByLogit => Share::fromLogit($estimate),
            $this === self::ShareByArcsine => Share::of(0.0, $size)?->fromDoubleArcsine($estimate),
            default => $estimate,
        };
    }
}
