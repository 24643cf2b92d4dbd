<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Stage;
use App\Models\User;
use App\Queries\Shared\Tallies;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/** How much one person has judged at a stage, and how much waits for their judgement. */
final readonly class ScreenerCounts
{
    private function __construct(public int $done, public int $left)
    {
    }

    public static function of(User $user, Stage $stage, ?Tallies $tallies = null): self
    {
        $mine = DB::table('decisions')
            ->join('items', 'items.id', '=', 'decisions.item_id')
            ->whereColumn('items.review_id', 'decisions.review_id')
            ->where('decisions.review_id', $stage->review_id)
            ->where('decisions.stage_id', $stage->id)
            ->where('decisions.user_id', $user->id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->selectRaw('count(*) AS done, count(*) FILTER (WHERE items.state = ?) AS unopened', [
                ItemState::Waiting->value,
            ])
            ->first();
        $done = (int) ($mine->done ?? 0);
        if ($stage->work === 'shares') {
            return new self($done, Shares::leftFor($user, $stage));
        }
        $waiting = ($tallies ?? Tallies::of($stage->review, $stage))->in(ItemState::Waiting);

        return new self($done, max(0, $waiting - (int) ($mine->unopened ?? 0)));
    }
}
