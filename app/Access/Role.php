<?php

declare(strict_types=1);

namespace App\Access;

enum Role: string
{
    case Lead = 'lead';
    case InformationSpecialist = 'information-specialist';
    case Reviewer = 'reviewer';
    case Coder = 'coder';
    case Observer = 'observer';

    public function label(): string
    {
        return match ($this) {
            self::Lead => 'review lead',
            self::InformationSpecialist => 'information specialist',
            self::Reviewer => 'reviewer',
            self::Coder => 'coder',
            self::Observer => 'observer',
        };
    }

    public function purpose(): string
    {
        return match ($this) {
            self::Lead => 'may do everything, and settles disagreements',
            self::InformationSpecialist => 'searches and delivers records',
            self::Reviewer => 'screens and codes',
            self::Coder => 'codes',
            self::Observer => 'reads what is open',
        };
    }

    public function may(Ability $ability): bool
    {
        return $this === self::Lead ||
            in_array(
                $ability,
                match ($this) {
                    self::InformationSpecialist => [Ability::Search, Ability::Deliver, Ability::Tag, Ability::Obtain, Ability::Write],
                    self::Reviewer => [Ability::Screen, Ability::Code, Ability::Search, Ability::Tag, Ability::Obtain, Ability::Write],
                    self::Coder => [Ability::Code, Ability::Tag, Ability::Obtain, Ability::Write],
                    default => [],
                },
                true,
            );
    }
}
