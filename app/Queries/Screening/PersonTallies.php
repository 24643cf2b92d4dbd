<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What each person has judged and has still to judge: the database keeps it as decisions, items and shares change, each
 * change as a row of its own, so that a count is a sum.
 */
final class PersonTallies
{
    /** A row for each stage and person: judged, unopened (of them), to_judge (of their share). */
    public static function sums(string $reviewId): Builder
    {
        return DB::table('person_tallies')
            ->where('review_id', $reviewId)
            ->groupBy('stage_id', 'user_id')
            ->selectRaw('stage_id, user_id, sum(judged) AS judged, sum(unopened) AS unopened, sum(to_judge) AS to_judge');
    }

    /** @return list<string> where what is kept of a review is not what its rows make it */
    public static function wrong(Review $review): array
    {
        $found = DB::select(
            <<<'SQL'
            WITH computed AS (
                SELECT stage_id, user_id, sum(judged) AS judged, sum(unopened) AS unopened, sum(to_judge) AS to_judge FROM (
                    SELECT d.stage_id, d.user_id, 1 AS judged, (i.state = 'waiting')::integer AS unopened, 0 AS to_judge
                    FROM decisions d JOIN items i ON i.review_id = d.review_id AND i.id = d.item_id
                    WHERE d.review_id = :decided AND d.superseded_at IS NULL AND d.verdict IS NOT NULL
                    UNION ALL
                    SELECT stage_id, user_id, 0, 0, 1 FROM assignments WHERE review_id = :shared AND waiting AND NOT judged
                ) AS work GROUP BY 1, 2
            ), kept AS (
                SELECT stage_id, user_id, sum(judged) AS judged, sum(unopened) AS unopened, sum(to_judge) AS to_judge
                FROM person_tallies WHERE review_id = :kept GROUP BY 1, 2
            )
            SELECT s.name AS stage, p.name AS person,
                concat_ws(', ', coalesce(k.judged, 0), coalesce(k.unopened, 0), coalesce(k.to_judge, 0)) AS kept,
                concat_ws(', ', coalesce(c.judged, 0), coalesce(c.unopened, 0), coalesce(c.to_judge, 0)) AS computed
            FROM kept k FULL JOIN computed c ON c.stage_id = k.stage_id AND c.user_id = k.user_id
            JOIN stages s ON s.review_id = :stages AND s.id = coalesce(k.stage_id, c.stage_id)
            JOIN users p ON p.id = coalesce(k.user_id, c.user_id)
            WHERE (coalesce(k.judged, 0), coalesce(k.unopened, 0), coalesce(k.to_judge, 0))
                <> (coalesce(c.judged, 0), coalesce(c.unopened, 0), coalesce(c.to_judge, 0))
            ORDER BY 1, 2
            SQL,
            array_fill_keys(['decided', 'shared', 'kept', 'stages'], $review->id),
        );

        return array_values(array_map(
            fn (stdClass $one): string => "{$one->stage}: of {$one->person} are kept {$one->kept} "
                ."(judged, unopened, to judge), and counted {$one->computed}",
            $found,
        ));
    }
}
