<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** How two years of publication agree. */
enum YearAgreement: int
{
    case Unknown = 0;
    case Same = 1;
    case OneApart = 2;
    case YearsApart = 3;

    public static function between(?int $a, ?int $b): self
    {
        return match (true) {
            $a === null, $b === null => self::Unknown,
            $a === $b => self::Same,
            abs($a - $b) === 1 => self::OneApart,
            default => self::YearsApart,
        };
    }
}
