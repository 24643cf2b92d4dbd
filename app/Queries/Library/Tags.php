<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Review;
use Illuminate\Support\Facades\DB;

/** The team's tags. */
final class Tags
{
    /**
     * @param  list<string>  $publications
     * @return array<string, list<string>> by publication, each in order
     */
    public static function of(Review $review, array $publications): array
    {
        $tags = [];
        foreach (
            DB::table('publication_tags')
                ->where('review_id', $review->id)
                ->whereIn('publication_id', $publications)
                ->orderBy('tag')
                ->get(['publication_id', 'tag']) as $one
        ) {
            $tags[$one->publication_id][] = $one->tag;
        }

        return $tags;
    }
}
