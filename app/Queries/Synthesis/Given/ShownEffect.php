<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

/** An effect by one measure, in words. */
final readonly class ShownEffect
{
    public function __construct(public string $measure, public string $shown)
    {
    }
}
