<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\Refused;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
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

    /**
     * The same of one with which its study is coded.
     *
     * @throws Refused If it is not included, or another report carries the coding of its study.
     */
    public static function carrying(Publication $publication): Review
    {
        $review = self::reviewOf(
            $publication,
            'This publication is not included, so it is not coded. The answers it has are kept.',
        );
        $instead = CodedReports::instead($review, $publication);
        if ($instead !== null) {
            throw new Refused(
                "This study is coded with another of its reports, {$instead->called()}. The answers kept here stay.",
            );
        }

        return $review;
    }
}
