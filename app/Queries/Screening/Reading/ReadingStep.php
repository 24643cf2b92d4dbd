<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

/** How many items are left of a reading list after a step that narrows it down. */
final readonly class ReadingStep
{
    /** @param  ?string  $key  of the filter that can be taken off; null where it is none */
    public function __construct(public ?string $key, public string $words, public int $count)
    {
    }
}
