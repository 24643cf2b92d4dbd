<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Stage;

/** How much one person has judged, and how much waits for their judgement. */
final readonly class ScreenerCounts
{
    private function __construct(public int $done, public int $left)
    {
    }

    public static function of(User $user, Review $review, ?Tallies $tallies = null): self
    {
        $mine = DB::table('decisions')->join('items', 'items.id', '=', 'decisions.item_id')
            ->where('decisions.review_id', $review->id)->where('decisions.stage', Stage::TitleAbstract->value)->where('decisions.user_id', $user->id)
            ->whereNull('decisions.superseded_at')->whereNotNull('decisions.verdict')
            ->selectRaw('count(*) AS done, count(*) FILTER (WHERE items.state = ?) AS unopened', [ItemState::Waiting->value])->first();
        $waiting = ($tallies ?? Tallies::of($review))->in(ItemState::Waiting);

        return new self((int) ($mine->done ?? 0), max(0, $waiting - (int) ($mine->unopened ?? 0)));
    }
}
