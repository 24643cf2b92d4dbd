<?php

declare(strict_types=1);

namespace App\Queries\Report;

/** A line of the diagram of the flow: as it is usually worded, and as it is here. */
final readonly class FlowCaption
{
    public function __construct(public string $key, public string $usual, public string $now)
    {
    }
}
