<?php

declare(strict_types=1);

namespace App\Queries;

use App\Access\Ability;
use App\Models\Membership;
use App\Models\Review;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Stage;

/** How far each screener is: done and left, never what they decided. */
final class Progress
{
    /** @return Collection<int, array{name: string, done: int, left: int, today: int}> */
    public static function of(Review $review, Tallies $tallies): Collection
    {
        $rows = DB::table('decisions')->join('items', 'items.id', '=', 'decisions.item_id')
            ->where('decisions.review_id', $review->id)->where('decisions.stage', Stage::TitleAbstract->value)->whereNull('decisions.superseded_at')->whereNotNull('decisions.verdict')
            ->groupBy('decisions.user_id')
            ->selectRaw("decisions.user_id, count(*) AS done, count(*) FILTER (WHERE items.state = 'waiting') AS unopened, count(*) FILTER (WHERE decisions.created_at >= current_date) AS today")
            ->get()->keyBy('user_id');

        return Membership::query()->where('review_id', $review->id)->with('user')->get()
            ->filter(fn (Membership $m): bool => $m->role->may(Ability::Screen) || isset($rows[$m->user_id]))
            ->map(fn (Membership $m): array => [
                'name' => $m->user->name,
                'done' => (int) ($rows[$m->user_id]->done ?? 0),
                'left' => $tallies->in(ItemState::Waiting) - (int) ($rows[$m->user_id]->unopened ?? 0),
                'today' => (int) ($rows[$m->user_id]->today ?? 0),
            ])->sortBy('name')->values();
    }
}
