<?php

declare(strict_types=1);

namespace App\Actions\Team;

use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Closes a review, so that it is read and nothing in it is changed, or opens it again. */
final readonly class CloseReview
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Review $review, bool $closed): void
    {
        DB::transaction(function () use ($by, $review, $closed): void {
            $kept = $review->locked();
            if (($kept->closed_at !== null) === $closed) {
                return;
            }
            $kept->update(['closed_at' => $closed ? now() : null]);
            ($this->log)(
                $kept,
                $by,
                $closed ? 'review.closed' : 'review.opened',
                $closed ? 'Closed the review: nothing in it is changed from now on' : 'Opened the review again',
                $kept,
            );
        });
    }
}
