<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

final class Year
{
    /** The first year of four digits, 1500 to 2099, in a date however it is written; null where there is none. */
    public static function of(string $date): ?int
    {
        return preg_match('/(?<!\d)(1[5-9]\d\d|20\d\d)(?!\d)/', $date, $found) === 1 ? (int) $found[0] : null;
    }
}
