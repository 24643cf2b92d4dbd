<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** How many studies were included, and in how many reports. */
final readonly class IncludedCount
{
    public function __construct(public int $studies, public int $reports)
    {
    }
}
