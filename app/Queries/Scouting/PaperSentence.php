<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\ScoutedPaper;

/** A sentence of a paper. */
final readonly class PaperSentence
{
    public function __construct(public ScoutedPaper $paper, public string $text)
    {
    }
}
