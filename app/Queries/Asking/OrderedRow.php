<?php

declare(strict_types=1);

namespace App\Queries\Asking;

/** An analysis with the number by which it was put in order. */
final readonly class OrderedRow
{
    public function __construct(public string $label, public string $value, public string $url)
    {
    }
}
