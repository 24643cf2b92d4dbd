<?php

declare(strict_types=1);

namespace App\Actions\Question;

/** Where a review was announced before it was done: as free text, for registers and journals differ. */
final readonly class Provenance
{
    public function __construct(public string $protocol = '', public string $registration = '')
    {
    }
}
