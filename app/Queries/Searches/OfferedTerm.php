<?php

declare(strict_types=1);

namespace App\Queries\Searches;

/** A term that would have caught a lost item, and why it is offered. */
final readonly class OfferedTerm
{
    public function __construct(public string $text, public string $why)
    {
    }
}
