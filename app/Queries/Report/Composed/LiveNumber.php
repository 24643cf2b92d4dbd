<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

/** A number of a review as a sentence of a report holds it, with what it is called. */
final readonly class LiveNumber
{
    public function __construct(public string $label, public string $value)
    {
    }
}
