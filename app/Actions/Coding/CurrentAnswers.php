<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Publication;
use Illuminate\Database\Eloquent\Builder;

/** The answers of one study to one item that nothing has replaced: the one that counts, and coders' own. */
final class CurrentAnswers
{
    /** @return Builder<Answer> */
    public static function of(Publication $publication, CodebookItem $code): Builder
    {
        return Answer::query()
            ->where('review_id', $publication->review_id)
            ->where('publication_id', $publication->id)
            ->where('code_id', $code->id)
            ->whereNull('superseded_at');
    }
}
