<?php

declare(strict_types=1);

namespace App\Files\In;

/** What an outside program said, nothing where it did not come to its end, and what it complained of. */
final readonly class ToolSaid
{
    public function __construct(public string $text = '', public string $complaint = '')
    {
    }
}
