<?php

declare(strict_types=1);

namespace App\Queries;

use App\Access\Ability;
use App\Models\Membership;
use App\Models\Stage;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/** How far each screener is: done and left, never what they decided. */
final class Progress
{
    /** @return Collection<int, array{name: string, done: int, left: int, today: int}> */
    public static function of(Stage $stage, Tallies $tallies): Collection
    {
        $rows = DB::table('decisions')->join('items', 'items.id', '=', 'decisions.item_id')
            ->where('decisions.review_id', $stage->review_id)->where('decisions.stage_id', $stage->id)->whereNull('decisions.superseded_at')->whereNotNull('decisions.verdict')
            ->groupBy('decisions.user_id')
            ->selectRaw("decisions.user_id, count(*) AS done, count(*) FILTER (WHERE items.state = 'waiting') AS unopened, count(*) FILTER (WHERE decisions.created_at >= current_date) AS today")
            ->get()->keyBy('user_id');

        $inShares = $stage->work === 'shares' ? Shares::left($stage) : null;

        return Membership::query()->where('review_id', $stage->review_id)->with('user')->get()
            ->filter(fn (Membership $m): bool => $m->role->may(Ability::Screen) || isset($rows[$m->user_id]))
            ->map(fn (Membership $m): array => [
                'name' => $m->user->name,
                'done' => (int) ($rows[$m->user_id]->done ?? 0),
                'left' => $inShares !== null ? $inShares[$m->user_id] ?? 0 : $tallies->in(ItemState::Waiting) - (int) ($rows[$m->user_id]->unopened ?? 0),
                'today' => (int) ($rows[$m->user_id]->today ?? 0),
            ])->sortBy('name')->values();
    }
}
