<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Certainty;

/** How sure one may be of a pooled effect (Guyatt et al. 2008, BMJ 336:924). */
enum CertaintyLevel: int
{
    case High = 4;
    case Moderate = 3;
    case Low = 2;
    case VeryLow = 1;

    public function label(): string
    {
        return match ($this) {
            self::High => 'high',
            self::Moderate => 'moderate',
            self::Low => 'low',
            self::VeryLow => 'very low',
        };
    }

    public function moved(int $steps): self
    {
        return self::from(max(self::VeryLow->value, min(self::High->value, $this->value + $steps)));
    }
}
