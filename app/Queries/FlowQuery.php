<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Review;
use App\Models\Stage;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Flow\Flow;
use WaryHeron\Core\Flow\FlowFacts;
use WaryHeron\Core\Screening\ItemState;

/** Counts the facts of the flow from the rows themselves, not from the tallies, so that the one checks the other. */
final class FlowQuery
{
    public static function of(Review $review): Flow
    {
        $states = DB::table('items')->where('review_id', $review->id)->where('stage_id', $review->firstStage()->id)->groupBy('state')->selectRaw('state, count(*) AS n')->pluck('n', 'state');
        $in = fn (ItemState $state): int => (int) ($states[$state->value] ?? 0);

        return Flow::from(new FlowFacts(
            recordsDelivered: DB::table('records')->where('review_id', $review->id)->whereNull('withdrawn_at')->count(),
            publications: DB::table('publications')->where('review_id', $review->id)->whereNull('merged_into')->count(),
            waiting: $in(ItemState::Waiting),
            disagreements: $in(ItemState::Disagreement),
            included: $in(ItemState::Included),
            excluded: $in(ItemState::Excluded),
            coded: Waiting::coded($review),
            removed: DB::table('publications')->where('review_id', $review->id)->whereNull('merged_into')->whereNotNull('removed_at')->count(),
            joinedByPeople: DB::table('joins')->where('review_id', $review->id)->whereNull('matching_id')->whereNull('undone_at')->count(),
            excludedByReason: self::reasons($review)->pluck('n', 'id')->map(fn ($n): int => (int) $n)->all(),
        ));
    }

    /** @return \Illuminate\Support\Collection<int, \stdClass> exclusions by reason in the protocol's order; without one last */
    public static function reasons(Review $review, ?Stage $stage = null): \Illuminate\Support\Collection
    {
        return DB::table('items')->leftJoin('criteria', 'criteria.id', '=', 'items.criterion_id')
            ->where('items.review_id', $review->id)->where('items.stage_id', ($stage ?? $review->firstStage())->id)->where('items.state', ItemState::Excluded->value)
            ->groupBy('criteria.id', 'criteria.reason', 'criteria.position')->orderByRaw('criteria.position NULLS LAST')
            ->selectRaw("coalesce(criteria.id, '') AS id, coalesce(criteria.reason, 'No reason given') AS reason, count(*) AS n")->get();
    }

    /** @return \Illuminate\Support\Collection<int, \stdClass> records kept and rejected by delivery */
    public static function sources(Review $review): \Illuminate\Support\Collection
    {
        return DB::table('deliveries')->where('review_id', $review->id)->orderBy('created_at')->get(['id', 'source_name', 'file_name', 'kind', 'searched_on', 'kept', 'rejected', 'already_here', 'new', 'state']);
    }
}
