<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Matching;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Pairs of a comparison whose records still belong to two publications that are both there. */
final class OpenPairs
{
    /** The pairs with their records as a and b, best first, in an order that does not change. */
    public static function of(Matching $matching): Builder
    {
        return DB::table('match_pairs')
            ->join('records AS a', 'a.id', '=', 'match_pairs.record_a')
            ->whereColumn('a.review_id', 'match_pairs.review_id')
            ->join('records AS b', 'b.id', '=', 'match_pairs.record_b')
            ->whereColumn('b.review_id', 'match_pairs.review_id')
            ->where('match_pairs.review_id', $matching->review_id)
            ->where('match_pairs.matching_id', $matching->id)
            ->whereNull('a.withdrawn_at')
            ->whereNull('b.withdrawn_at')
            ->whereColumn('a.publication_id', '<>', 'b.publication_id')
            ->whereNotExists(
                fn (Builder $removed) => $removed
                    ->selectRaw('1')
                    ->from('publications')
                    ->whereRaw('publications.id IN (a.publication_id, b.publication_id)')
                    ->whereNotNull('publications.removed_at'),
            )
            ->orderByDesc('match_pairs.score')
            ->orderBy('match_pairs.record_a')
            ->orderBy('match_pairs.record_b');
    }
}
