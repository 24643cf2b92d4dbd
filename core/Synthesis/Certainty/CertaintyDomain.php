<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Certainty;

/** For what certainty is taken down or up (Guyatt et al. 2008, BMJ 336:924). */
enum CertaintyDomain: string
{
    case RiskOfBias = 'bias';
    case Inconsistency = 'inconsistency';
    case Indirectness = 'indirectness';
    case Imprecision = 'imprecision';
    case PublicationBias = 'publication';
    case LargeEffect = 'large';
    case DoseResponse = 'dose';
    case OpposedConfounding = 'confounding';

    public function label(): string
    {
        return match ($this) {
            self::RiskOfBias => 'risk of bias',
            self::Inconsistency => 'inconsistency',
            self::Indirectness => 'indirectness',
            self::Imprecision => 'imprecision',
            self::PublicationBias => 'publication bias',
            self::LargeEffect => 'large effect',
            self::DoseResponse => 'dose and response',
            self::OpposedConfounding => 'confounding would hide it',
        };
    }

    /** What a person asks to judge it. */
    public function asks(): string
    {
        return match ($this) {
            self::RiskOfBias => 'Would the studies’ faults change the result?',
            self::Inconsistency => 'Do the studies tell different stories that nothing explains?',
            self::Indirectness => 'Are people, intervention or outcome others than those asked about?',
            self::Imprecision => 'Would a decision differ at the two ends of the interval?',
            self::PublicationBias => 'Are studies likely to be missing because of what they found?',
            self::LargeEffect => 'Is it so large that bias alone could hardly make it?',
            self::DoseResponse => 'Does more of it do more?',
            self::OpposedConfounding => 'Would what was not controlled have made it smaller?',
        };
    }

    /** 1 where it takes certainty up, −1 where down. */
    public function sign(): int
    {
        return in_array($this, [self::LargeEffect, self::DoseResponse, self::OpposedConfounding], true) ? 1 : -1;
    }
}
