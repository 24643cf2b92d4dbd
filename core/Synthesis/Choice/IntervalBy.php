<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

/** How wide the interval of a random-effects estimate is. */
enum IntervalBy: string
{
    case HartungKnapp = 'hk';
    case HartungKnappTruncated = 'hk-truncated';
    case Normal = 'z';

    public function label(): string
    {
        return match ($this) {
            self::HartungKnapp => 'Hartung-Knapp',
            self::HartungKnappTruncated => 'Hartung-Knapp, never narrower',
            self::Normal => 'normal',
        };
    }
}
