<?php

declare(strict_types=1);

namespace App\Queries\Screening\ShareOut;

use App\Models\Review;
use App\Models\ShareOut;
use App\Models\Stage;
use App\Queries\Screening\PersonTallies;
use App\Queries\Shared\StageItems;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/** Who has which items to judge at a stage where the work is shared out. */
final class Shares
{
    /** @return array<string, int> how many items each person has still to judge */
    public static function left(Stage $stage): array
    {
        return self::toJudge(PersonTallies::sums($stage->review_id)->where('stage_id', $stage->id));
    }

    /** Assignments whose person has not decided, on items that have not opened. */
    public static function undone(Stage $stage): Builder
    {
        return DB::table('assignments')
            ->where('assignments.review_id', $stage->review_id)
            ->where('assignments.stage_id', $stage->id)
            ->whereRaw('assignments.waiting AND NOT assignments.judged');
    }

    /** The same with those that cannot be judged yet, since their text is not at hand. */
    public static function unjudged(Stage $stage): Builder
    {
        return DB::table('assignments')
            ->where('assignments.review_id', $stage->review_id)
            ->where('assignments.stage_id', $stage->id)
            ->where('assignments.judged', false)
            ->whereExists(
                fn (Builder $item) => $item
                    ->selectRaw('1')
                    ->from('items')
                    ->whereColumn('items.review_id', 'assignments.review_id')
                    ->whereColumn('items.id', 'assignments.item_id')
                    ->whereIn('items.state', [ItemState::Waiting->value, ItemState::Awaited->value]),
            );
    }

    /** @return array<string, array<string, ShareProgress>> by share-out, then person */
    public static function progress(Stage $stage): array
    {
        $rows = DB::table('assignments')
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->groupBy('share_out_id', 'user_id')
            ->selectRaw(
                "share_out_id, user_id, count(*) AS all_, count(*) FILTER (WHERE judged OR NOT waiting AND NOT EXISTS (SELECT 1 FROM items i WHERE i.review_id = assignments.review_id AND i.id = assignments.item_id AND i.state = 'awaited')) AS done",
            )
            ->get();
        $progress = [];
        foreach ($rows as $row) {
            $progress[$row->share_out_id][$row->user_id] = new ShareProgress((int) $row->all_, (int) $row->done);
        }

        return $progress;
    }

    /** @return array<string, int> judgements of a share-out that are not made yet, by person */
    public static function ofShareOut(ShareOut $shareOut): array
    {
        return self::unjudged($shareOut->stage)
            ->where('assignments.share_out_id', $shareOut->id)
            ->groupBy('assignments.user_id')
            ->selectRaw('assignments.user_id, count(*) AS n')
            ->pluck('n', 'user_id')
            ->map(fn ($n): int => (int) $n)
            ->all();
    }

    /** @return array<string, int> how much of what was shared out in a review each person has still to judge */
    public static function open(Review $review): array
    {
        return self::toJudge(PersonTallies::sums($review->id));
    }

    /** @return array<string, int> */
    private static function toJudge(Builder $sums): array
    {
        $left = [];
        foreach ($sums->get() as $row) {
            $left[$row->user_id] = ($left[$row->user_id] ?? 0) + (int) $row->to_judge;
        }

        return array_filter($left);
    }

    /** In SQL, beside items named "here": how many people have it in their share or have judged it. */
    public const JUDGES = <<<'SQL'
    SELECT count(*) FROM (
        SELECT a.user_id FROM assignments a WHERE a.review_id = here.review_id AND a.item_id = here.id
        UNION SELECT d.user_id FROM decisions d WHERE d.review_id = here.review_id AND d.item_id = here.id AND d.superseded_at IS NULL AND d.verdict IS NOT NULL
    ) AS judges
    SQL;

    /** How many items wait that have all their judges but one. */
    public static function lackingOne(Stage $stage): int
    {
        return $stage->required_decisions < 2
            ? 0
            : DB::table('items AS here')
                ->where('here.review_id', $stage->review_id)
                ->where('here.stage_id', $stage->id)
                ->whereIn('here.state', [ItemState::Waiting->value, ItemState::Awaited->value])
                ->whereRaw('('.self::JUDGES.') = ?', [$stage->required_decisions - 1])
                ->count();
    }

    /** How many items wait at a stage in nobody's share. */
    public static function unshared(Stage $stage): int
    {
        return StageItems::of($stage)
            ->whereIn('state', [ItemState::Waiting->value, ItemState::Awaited->value])
            ->whereNotExists(
                fn ($a) => $a
                    ->selectRaw('1')
                    ->from('assignments')
                    ->whereColumn('assignments.review_id', 'items.review_id')
                    ->whereColumn('assignments.item_id', 'items.id'),
            )
            ->count();
    }
}
