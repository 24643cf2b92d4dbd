<?php

declare(strict_types=1);

namespace App\Queries\Library;

/** What a record says of a field otherwise, and where it first came from. */
final readonly class OtherValue
{
    public function __construct(public string $value, public string $source)
    {
    }
}
