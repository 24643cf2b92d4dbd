<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

/** A paper that somebody brought to another review: the publication of this one that it is of, and its file's name. */
final readonly class ShelvedCopy
{
    public function __construct(public string $title, public string $name)
    {
    }
}
