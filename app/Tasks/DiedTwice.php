<?php

declare(strict_types=1);

namespace App\Tasks;

use RuntimeException;

/** Work was killed twice at the same place: for want of memory or time, and a third time would end alike. */
final class DiedTwice extends RuntimeException
{
    public const WHY = 'It stopped twice at the same place, for want of memory or time, and is not tried again by itself.';

    public function __construct()
    {
        parent::__construct(self::WHY);
    }
}
