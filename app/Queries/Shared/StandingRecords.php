<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** The records of a review that were not withdrawn, with their deliveries, as a query to go on with. */
final class StandingRecords
{
    public static function of(Review $review): Builder
    {
        return DB::table('records')
            ->join('deliveries', 'deliveries.id', '=', 'records.delivery_id')
            ->where('records.review_id', $review->id)
            ->whereNull('records.withdrawn_at');
    }
}
