<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Review;
use Illuminate\Support\Facades\DB;

/** What groups of publications look like in a list. */
final class GroupTitles
{
    /**
     * @param  list<CertainGroup>  $groups
     * @return list<TitledGroup>
     */
    public static function of(Review $review, array $groups): array
    {
        $rows = DB::table('publications')
            ->where('review_id', $review->id)
            ->whereIn('id', array_merge(...array_column($groups, 'publications')))
            ->get(['id', 'title', 'authors', 'year', 'journal', 'place', 'doi'])
            ->keyBy('id');

        return array_map(
            fn (CertainGroup $group): TitledGroup => new TitledGroup($group->score, array_values(
                array_filter(array_map(fn (string $id): ?\stdClass => $rows[$id] ?? null, $group->publications)),
            )),
            $groups,
        );
    }
}
