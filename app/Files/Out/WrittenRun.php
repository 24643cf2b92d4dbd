<?php

declare(strict_types=1);

namespace App\Files\Out;

/** Words that were written in one go with one client. */
final readonly class WrittenRun
{
    public function __construct(public int $client, public string $text)
    {
    }
}
