<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Effect;

/** What of two groups is compared. */
enum Measure: string
{
    case RiskRatio = 'RR';
    case OddsRatio = 'OR';
    case RiskDifference = 'RD';
    case Peto = 'PETO';
    case MeanDifference = 'MD';
    case StandardisedMeanDifference = 'SMD';
    case RatioOfMeans = 'ROM';
    case Generic = 'GEN';

    /** Whether its analysis is of logarithms. */
    public function isRatio(): bool
    {
        return in_array($this, [self::RiskRatio, self::OddsRatio, self::Peto, self::RatioOfMeans], true);
    }

    public function isOfEvents(): bool
    {
        return in_array($this, [self::RiskRatio, self::OddsRatio, self::RiskDifference, self::Peto], true);
    }

    public function isOfMeans(): bool
    {
        return in_array($this, [self::MeanDifference, self::StandardisedMeanDifference, self::RatioOfMeans], true);
    }

    public function ofEvents(TwoByTwo $table): Effect
    {
        return match ($this) {
            self::RiskRatio => $table->logRiskRatio(),
            self::OddsRatio => $table->logOddsRatio(),
            self::RiskDifference => $table->riskDifference(),
            self::Peto => $table->petoLogOddsRatio(),
            default => throw new \LogicException("{$this->value} is not of events."),
        };
    }

    public function ofMeans(TwoMeans $means): Effect
    {
        return match ($this) {
            self::MeanDifference => $means->difference(),
            self::StandardisedMeanDifference => $means->hedges(),
            self::RatioOfMeans => $means->logRatio(),
            default => throw new \LogicException("{$this->value} is not of means."),
        };
    }
}
