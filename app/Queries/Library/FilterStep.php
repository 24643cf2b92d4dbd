<?php

declare(strict_types=1);

namespace App\Queries\Library;

/** A filter in words, and how many publications it leaves after those before it. */
final readonly class FilterStep
{
    public function __construct(public string $key, public string $words, public int $count)
    {
    }
}
