<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\ScoutedPaper;

/** What speaks against a paper: comments and corrections by title, and findings that point another way. */
final readonly class SpokenAgainst
{
    /**
     * @param  list<PaperSentence>  $comments
     * @param  list<ScoutedPaper>  $contrary
     */
    public function __construct(public array $comments = [], public array $contrary = [])
    {
    }
}
