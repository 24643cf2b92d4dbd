<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

final class Year
{
    /** The first year of four digits, 1500 to 2099, in a date however it is written; null where there is none. */
    public static function of(string $date): ?int
    {
        // 20040512, as machines write a day
        $day = '/(?<!\d)((?:1[5-9]|20)\d\d)(?:0[1-9]|1[0-2])(?:0[1-9]|[12]\d|3[01])(?!\d)/';
        if (preg_match($day, $date, $found) === 1) {
            return (int) $found[1];
        }

        return preg_match('/(?<!\d)(1[5-9]\d\d|20\d\d)(?!\d)/', $date, $found) === 1 ? (int) $found[0] : null;
    }
}
