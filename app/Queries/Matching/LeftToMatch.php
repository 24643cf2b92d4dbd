<?php

declare(strict_types=1);

namespace App\Queries\Matching;

/** Records that no comparison has seen yet, and groups that wait for a person. */
final readonly class LeftToMatch
{
    public function __construct(public int $records, public int $groups)
    {
    }
}
