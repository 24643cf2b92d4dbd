<?php

declare(strict_types=1);

namespace App\Queries\Screening\ShareOut;

/** How many judgements a share has, and how many of them are made or no longer needed. */
final readonly class ShareProgress
{
    public function __construct(public int $all, public int $done)
    {
    }
}
