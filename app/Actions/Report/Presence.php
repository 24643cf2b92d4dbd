<?php

declare(strict_types=1);

namespace App\Actions\Report;

/** Where a page of somebody else is in the text. */
final readonly class Presence
{
    public function __construct(public int $client, public string $data)
    {
    }
}
