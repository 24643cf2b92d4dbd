<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Models\Review;
use Illuminate\Support\Facades\DB;

/** A text that changes whenever something in a review does: all that changes adds publications or writes in the Log. */
final class ReviewStamp
{
    public static function of(Review $review, ?Tallies $tallies = null): string
    {
        return ($tallies ?? Tallies::of($review))->all().
            ' '.
            DB::table('log_entries')->where('review_id', $review->id)->max('id');
    }
}
