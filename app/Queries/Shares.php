<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/** Who has which items to judge at a stage where the work is shared out. */
final class Shares
{
    /** @return array<string, int> how many items each person has still to judge */
    public static function left(Stage $stage): array
    {
        return self::undone($stage)->groupBy('assignments.user_id')->selectRaw('assignments.user_id, count(*) AS n')->pluck('n', 'user_id')->map(fn ($n): int => (int) $n)->all();
    }

    public static function leftFor(User $user, Stage $stage): int
    {
        return self::undone($stage)->where('assignments.user_id', $user->id)->count();
    }

    /** Assignments whose person has not decided, on items that have not opened. */
    public static function undone(Stage $stage): Builder
    {
        return DB::table('assignments')->where('assignments.review_id', $stage->review_id)->where('assignments.stage_id', $stage->id)->whereRaw('assignments.waiting AND NOT assignments.judged');
    }

    /** The same with those that cannot be judged yet, since their text is not at hand. */
    public static function unjudged(Stage $stage): Builder
    {
        return DB::table('assignments')->where('assignments.review_id', $stage->review_id)->where('assignments.stage_id', $stage->id)->where('assignments.judged', false)
            ->whereExists(fn (Builder $item) => $item->selectRaw('1')->from('items')->whereColumn('items.review_id', 'assignments.review_id')->whereColumn('items.id', 'assignments.item_id')->whereIn('items.state', [ItemState::Waiting->value, ItemState::Awaited->value]));
    }

    /** @return array<string, array<string, array{all: int, done: int}>> judgements by share-out, then person; how many, and how many are made or no longer needed */
    public static function progress(Stage $stage): array
    {
        $rows = DB::table('assignments')->where('review_id', $stage->review_id)->where('stage_id', $stage->id)
            ->groupBy('share_out_id', 'user_id')->selectRaw("share_out_id, user_id, count(*) AS all_, count(*) FILTER (WHERE judged OR NOT waiting AND NOT EXISTS (SELECT 1 FROM items i WHERE i.review_id = assignments.review_id AND i.id = assignments.item_id AND i.state = 'awaited')) AS done")->get();
        $progress = [];
        foreach ($rows as $row) {
            $progress[$row->share_out_id][$row->user_id] = ['all' => (int) $row->all_, 'done' => (int) $row->done];
        }

        return $progress;
    }

    /** @return array<string, int> how much of what was shared out in a review each person has still to judge */
    public static function open(Review $review): array
    {
        return DB::table('assignments')->where('review_id', $review->id)->where('waiting', true)->where('judged', false)->groupBy('user_id')->selectRaw('user_id, count(*) AS n')->pluck('n', 'user_id')->map(fn ($n): int => (int) $n)->all();
    }

    /** How many items wait at a stage in nobody's share. */
    public static function unshared(Stage $stage): int
    {
        return DB::table('items')->where('review_id', $stage->review_id)->where('stage_id', $stage->id)->whereIn('state', [ItemState::Waiting->value, ItemState::Awaited->value])
            ->whereNotExists(fn ($a) => $a->selectRaw('1')->from('assignments')->whereColumn('assignments.review_id', 'items.review_id')->whereColumn('assignments.item_id', 'items.id'))->count();
    }
}
