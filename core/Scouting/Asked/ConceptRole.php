<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** What a part of a question stands for. */
enum ConceptRole: string
{
    case Exposure = 'exposure';
    case Comparator = 'comparator';
    case Outcome = 'outcome';
    case Population = 'population';
    case Setting = 'setting';

    public function label(): string
    {
        return match ($this) {
            self::Exposure => 'what is done or met with',
            self::Comparator => 'against what',
            self::Outcome => 'outcome',
            self::Population => 'people',
            self::Setting => 'where and when',
        };
    }
}
