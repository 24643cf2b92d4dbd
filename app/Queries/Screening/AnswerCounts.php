<?php

declare(strict_types=1);

namespace App\Queries\Screening;

/** How many publications a criterion was answered with yes, no or unclear. */
final readonly class AnswerCounts
{
    public function __construct(public int $yes = 0, public int $no = 0, public int $unclear = 0)
    {
    }
}
