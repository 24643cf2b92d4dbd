<?php

declare(strict_types=1);

namespace App\Queries\Shared;

/** Background work that nobody has begun. */
final readonly class WaitingWork
{
    /** @param  int  $seconds  for how long the oldest of it waits */
    public function __construct(public int $pieces, public int $seconds)
    {
    }
}
