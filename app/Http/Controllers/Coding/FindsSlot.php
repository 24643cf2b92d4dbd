<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Http\Input;
use App\Models\CodebookItem;
use App\Models\Publication;
use App\Models\Review;
use App\Models\StudyPart;
use App\Queries\Coding\AnswerSlot;
use Illuminate\Http\Request;

trait FindsSlot
{
    /** What the address names: an item and a study of this review, and a part of the study where it says one. */
    private function slot(Request $request, Review $review, Publication $publication, CodebookItem $code): AnswerSlot
    {
        // the two belong to the review, not to each other, so the route cannot check it
        abort_unless($publication->review_id === $review->id && $code->review_id === $review->id, 404);
        $part = Input::text($request, 'part');

        return new AnswerSlot(
            $publication,
            $code,
            $part === '' ? null : StudyPart::of($publication)->findOrFail($part),
        );
    }
}
