<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Review;
use WaryHeron\Core\Screening\ItemState;

/** What is coded and taken results of: the publications that screening has included. */
final class CodedPublications
{
    /**
     * The review of an included publication, which stays included until the transaction ends.
     *
     * @param  string  $otherwise  what is said where it is not
     *
     * @throws Refused If it is not included.
     */
    public static function reviewOf(Publication $publication, string $otherwise): Review
    {
        $review = Review::query()->findOrFail($publication->review_id);
        $item = Item::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('stage_id', $review->lastStage()->id)
            ->lockForUpdate()
            ->first();
        if ($item?->state !== ItemState::Included) {
            throw new Refused($otherwise);
        }

        return $review;
    }
}
