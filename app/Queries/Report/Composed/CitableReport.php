<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

/** A publication that a report can cite, as it is called there, and its title. */
final readonly class CitableReport
{
    public function __construct(public string $name, public string $title)
    {
    }
}
