<?php

declare(strict_types=1);

namespace App\Tasks;

/** Something that workers ask for whenever they look for work, and that each does only once in so many seconds. */
trait Sometimes
{
    private static float $next = 0.0;

    private static function isTime(float $seconds): bool
    {
        $now = microtime(true);
        if ($now < self::$next) {
            return false;
        }
        self::$next = $now + $seconds;

        return true;
    }
}
