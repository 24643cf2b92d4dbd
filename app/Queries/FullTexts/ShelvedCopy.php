<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

/** A paper that somebody brought to another review: of which publication of this one it is, and the name of its file. */
final readonly class ShelvedCopy
{
    public function __construct(public string $title, public string $name)
    {
    }
}
