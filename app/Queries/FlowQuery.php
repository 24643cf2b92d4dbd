<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Review;
use App\Models\Stage;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Flow\Diagram;
use WaryHeron\Core\Flow\Flow;
use WaryHeron\Core\Flow\FlowFacts;
use WaryHeron\Core\Flow\FullTexts;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/** Counts the facts of the flow from the rows themselves, not from the tallies, so that the one checks the other. */
final class FlowQuery
{
    public static function of(Review $review): Flow
    {
        $states = DB::table('items')->where('review_id', $review->id)->groupBy('stage_id', 'state')->selectRaw('stage_id, state, count(*) AS n')->get()->groupBy('stage_id');
        $count = fn (Stage $stage, ItemState $state): int => (int) ($states[$stage->id] ?? collect())->where('state', $state->value)->sum('n');
        $in = fn (ItemState $state): int => $count($review->firstStage(), $state);
        $full = $review->lastStage()->purpose === StagePurpose::FullText ? $review->lastStage() : null;
        $fullIn = fn (ItemState $state): int => $full === null ? 0 : $count($full, $state);

        return Flow::from(new FlowFacts(
            recordsBySource: DB::table('records')->join('deliveries', 'deliveries.id', '=', 'records.delivery_id')->where('records.review_id', $review->id)->whereNull('records.withdrawn_at')->groupBy('source_kind')->selectRaw('source_kind, count(*) AS n')->pluck('n', 'source_kind')->map(fn ($n): int => (int) $n)->all(),
            fullTexts: $full === null ? null : new FullTexts(
                $fullIn(ItemState::Waiting) + $fullIn(ItemState::Awaited) + $fullIn(ItemState::Disagreement) + $fullIn(ItemState::Included) + $fullIn(ItemState::Excluded) + array_sum($givenUp = Retrievals::givenUp($review)),
                $fullIn(ItemState::Waiting), $fullIn(ItemState::Disagreement), $fullIn(ItemState::Included), $fullIn(ItemState::Excluded), self::byReason($review, $full),
                $fullIn(ItemState::Awaited), $givenUp, Studies::included($review),
            ),
            recordsDelivered: DB::table('records')->where('review_id', $review->id)->whereNull('withdrawn_at')->count(),
            publications: DB::table('publications')->where('review_id', $review->id)->whereNull('merged_into')->count(),
            waiting: $in(ItemState::Waiting),
            disagreements: $in(ItemState::Disagreement),
            included: $in(ItemState::Included),
            excluded: $in(ItemState::Excluded),
            coded: Waiting::coded($review),
            removed: DB::table('publications')->where('review_id', $review->id)->whereNull('merged_into')->whereNotNull('removed_at')->count(),
            joinedByPeople: DB::table('joins')->where('review_id', $review->id)->whereNull('matching_id')->whereNull('undone_at')->count(),
            excludedByReason: self::byReason($review, $review->firstStage()),
        ));
    }

    public static function diagram(Review $review): Diagram
    {
        return Diagram::of(self::of($review), DB::table('criteria')->where('review_id', $review->id)->pluck('reason', 'id')->all());
    }

    /** @return array<string, int> exclusions by criterion */
    private static function byReason(Review $review, Stage $stage): array
    {
        return self::reasons($review, $stage)->pluck('n', 'id')->map(fn ($n): int => (int) $n)->all();
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
