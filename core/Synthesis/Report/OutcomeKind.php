<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;

/** What an outcome is, and so in which forms it is reported and by which measures it is pooled. */
enum OutcomeKind: string
{
    case Events = 'events';
    case Means = 'means';
    case Ratio = 'ratio';
    case Correlation = 'correlation';
    case Share = 'share';

    public function label(): string
    {
        return match ($this) {
            self::Events => 'an event that people have or not',
            self::Means => 'a quantity that is measured',
            self::Ratio => 'an estimated ratio, such as of hazards or rates',
            self::Correlation => 'a correlation',
            self::Share => 'a share of one group',
        };
    }

    /** @return list<ReportForm> */
    public function forms(): array
    {
        return array_values(array_filter(ReportForm::cases(), fn (ReportForm $one): bool => $one->kind() === $this));
    }

    /** @return list<AnalysisMeasure> the first is the usual one */
    public function measures(): array
    {
        return match ($this) {
            self::Events => [
                AnalysisMeasure::RiskRatio,
                AnalysisMeasure::OddsRatio,
                AnalysisMeasure::RiskDifference,
                AnalysisMeasure::Peto,
            ],
            self::Means => [
                AnalysisMeasure::MeanDifference,
                AnalysisMeasure::StandardisedMeanDifference,
                AnalysisMeasure::StandardisedApproximately,
                AnalysisMeasure::RatioOfMeans,
            ],
            self::Ratio => [AnalysisMeasure::Ratio],
            self::Correlation => [AnalysisMeasure::Correlation],
            self::Share => [AnalysisMeasure::ShareByLogit, AnalysisMeasure::ShareByArcsine],
        };
    }

    /** Whether two groups are compared. */
    public function isOfTwo(): bool
    {
        return ! in_array($this, [self::Correlation, self::Share], true);
    }
}
