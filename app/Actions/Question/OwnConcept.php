<?php

declare(strict_types=1);

namespace App\Actions\Question;

/** A concept beside those of the frame, as a team names it. */
final readonly class OwnConcept
{
    public function __construct(public string $label, public string $text)
    {
    }
}
