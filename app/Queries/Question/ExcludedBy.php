<?php

declare(strict_types=1);

namespace App\Queries\Question;

use App\Models\Review;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/** Where a criterion is used: the publications that are excluded for failing it. */
final class ExcludedBy
{
    /** @return array<string, int> by criterion */
    public static function counts(Review $review): array
    {
        return DB::table('items')
            ->join('stages', 'stages.id', '=', 'items.stage_id')
            ->where('items.review_id', $review->id)
            ->where('items.state', ItemState::Excluded->value)
            ->where('stages.purpose', '<>', 'subset')
            ->whereNotNull('items.criterion_id')
            ->groupBy('items.criterion_id')
            ->selectRaw('items.criterion_id, count(DISTINCT items.publication_id) AS publications')
            ->pluck('publications', 'criterion_id')
            ->map(fn (mixed $count): int => (int) $count)
            ->all();
    }
}
