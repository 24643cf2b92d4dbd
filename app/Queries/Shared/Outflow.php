<?php

declare(strict_types=1);

namespace App\Queries\Shared;

/** What left the stream at a stage, in words, and where it is to be seen. */
final readonly class Outflow
{
    public function __construct(public string $text, public string $url)
    {
    }
}
