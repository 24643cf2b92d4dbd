<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

use WaryHeron\Core\Synthesis\Effect\AnalysisMeasure;
use WaryHeron\Core\Synthesis\Pool\Model;

/** By which model studies are pooled. */
enum PooledBy: string
{
    case Restricted = 'REML';
    case PauleMandel = 'PM';
    case DerSimonianLaird = 'DL';
    case Common = 'common';
    case MantelHaenszel = 'MH';
    case Peto = 'peto';

    public function label(): string
    {
        return match ($this) {
            self::Restricted => 'random effects, REML',
            self::PauleMandel => 'random effects, Paule-Mandel',
            self::DerSimonianLaird => 'random effects, DerSimonian-Laird',
            self::Common => 'common effect',
            self::MantelHaenszel => 'common effect, Mantel-Haenszel',
            self::Peto => 'common effect, Peto',
        };
    }

    /** Of the variance between studies; null where there is none. */
    public function model(): ?Model
    {
        return match ($this) {
            self::Restricted => Model::RestrictedMaximumLikelihood,
            self::PauleMandel => Model::PauleMandel,
            self::DerSimonianLaird => Model::DerSimonianLaird,
            default => null,
        };
    }

    public function isRandom(): bool
    {
        return $this->model() !== null;
    }

    public function suits(AnalysisMeasure $measure): bool
    {
        return match ($this) {
            self::MantelHaenszel => in_array($measure, [
                AnalysisMeasure::RiskRatio,
                AnalysisMeasure::OddsRatio,
                AnalysisMeasure::RiskDifference,
            ], true),
            self::Peto => $measure === AnalysisMeasure::Peto,
            default => true,
        };
    }
}
