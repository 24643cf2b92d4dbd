<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Stage;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/** Who has which items to judge at a stage where the work is shared out. */
final class Shares
{
    /** @return array<string, int> how many items each person has still to judge */
    public static function left(Stage $stage): array
    {
        return DB::table('assignments')->join('items', 'items.id', '=', 'assignments.item_id')
            ->where('assignments.review_id', $stage->review_id)->where('assignments.stage_id', $stage->id)->where('items.state', ItemState::Waiting->value)
            ->whereNotExists(fn ($done) => $done->selectRaw('1')->from('decisions')->whereColumn('decisions.review_id', 'assignments.review_id')->whereColumn('decisions.item_id', 'assignments.item_id')->whereColumn('decisions.user_id', 'assignments.user_id')->whereNull('decisions.superseded_at')->whereNotNull('decisions.verdict'))
            ->groupBy('assignments.user_id')->selectRaw('assignments.user_id, count(*) AS n')->pluck('n', 'user_id')->map(fn ($n): int => (int) $n)->all();
    }
}
