<?php

declare(strict_types=1);

namespace App\Actions\Searches;

/** A work as somebody named it: by its title, or by its DOI where that is all. */
final readonly class NamedWork
{
    public function __construct(public string $title, public string $doi, public ?int $year)
    {
    }
}
