<?php

declare(strict_types=1);

namespace App\Queries\Shared;

/** What is to be done, in words, and where. */
final readonly class NextStep
{
    public function __construct(public string $words, public string $url)
    {
    }
}
