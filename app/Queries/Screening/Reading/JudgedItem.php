<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

/** What one has judged a moment ago, by its title. */
final readonly class JudgedItem
{
    public function __construct(public string $id, public string $title, public MyVerdict $mine)
    {
    }
}
