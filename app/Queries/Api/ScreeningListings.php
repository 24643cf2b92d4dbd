<?php

declare(strict_types=1);

namespace App\Queries\Api;

use App\Models\Review;
use App\Models\User;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What is judged, by whom, and what came of it, as far as blinding lets a person see it. */
final class ScreeningListings
{
    /** @return list<Listing> */
    public static function all(): array
    {
        return [self::stages(), self::items(), self::decisions(), self::settlements()];
    }

    private static function stages(): Listing
    {
        return new Listing('stages', 'Stages of screening', [
            'id' => Field::id('the stage'),
            'position' => Field::whole('its place'),
            'name' => Field::text('as the team calls it'),
            'purpose' => Field::text('what is judged at it'),
            'required_decisions' => Field::whole('how many people judge each'),
            'criteria' => Field::json('ids of the criteria in use; null: all')->orNone(),
            'closed_at' => Field::time('since when it is closed')->orNone(),
        ], fn (Review $review): Builder => DB::table('stages')->where('review_id', $review->id));
    }

    private static function items(): Listing
    {
        return new Listing('items', 'Publications at stages, with what stands of each', [
            'id' => Field::id('the item'),
            'stage_id' => Field::id('at which'),
            'publication_id' => Field::id('what is judged'),
            'state' => Field::text('waiting, included, excluded, unsure, disagreement …; waiting until it opens'),
            'criterion_id' => Field::id('which criterion failed')->orNone(),
            'settled' => Field::flag('whether a disagreement was ended'),
            'opened_at' => Field::time('since when its decisions can be seen')->orNone(),
            'mine' => Field::text('my own verdict')->orNone(),
        ], fn (Review $review, User $user): Builder => DB::table('items')
            ->leftJoin('decisions', fn ($mine) => $mine
                ->on('decisions.review_id', '=', 'items.review_id')
                ->on('decisions.item_id', '=', 'items.id')
                ->whereNull('decisions.superseded_at')
                ->where('decisions.user_id', $user->id))
            ->where('items.review_id', $review->id)
            ->whereNull('items.folded_at')
            ->select(['items.*', 'decisions.verdict AS mine']), 'items.id', [
                'stage_id' => [Field::id('only at this stage'), 'items.stage_id'],
                'publication_id' => [Field::id('only of this publication'), 'items.publication_id'],
                'state' => [Field::text('only in this state'), 'items.state'],
            ]);
    }

    private static function decisions(): Listing
    {
        return new Listing('decisions', 'Decisions that stand, of items that have opened, and my own', [
            'id' => Field::id('the decision'),
            'item_id' => Field::id('on which item'),
            'stage_id' => Field::id('at which stage'),
            'by' => Field::text('who; no name where names are hidden'),
            'verdict' => Field::text('include, exclude, unsure'),
            'criterion_id' => Field::id('which criterion failed')->orNone(),
            'answers' => Field::json('answers by criterion'),
            'note' => Field::text('of their own'),
            'at' => Field::time('when'),
        ], self::ofDecisions(...), 'decisions.id', [
            'stage_id' => [Field::id('only at this stage'), 'decisions.stage_id'],
            'item_id' => [Field::id('only on this item'), 'decisions.item_id'],
        ]);
    }

    private static function ofDecisions(Review $review, User $user): Builder
    {
        $query = DB::table('decisions')
            ->join('items', fn ($item) => $item
                ->on('items.review_id', '=', 'decisions.review_id')
                ->on('items.id', '=', 'decisions.item_id'))
            ->join('users', 'users.id', '=', 'decisions.user_id')
            ->where('decisions.review_id', $review->id)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->select(['decisions.*', 'decisions.created_at AS at'])
            ->selectRaw(
                'CASE WHEN '.Visibility::NAMES_HIDDEN.' THEN ? ELSE users.name END AS by',
                [$user->id, Visibility::NAMELESS],
            );
        Visibility::decisions($query, $user);

        return $query;
    }

    private static function settlements(): Listing
    {
        return new Listing('settlements', 'How disagreements ended', [
            'id' => Field::id('the settlement'),
            'item_id' => Field::id('of which item'),
            'by' => Field::text('who'),
            'how' => Field::text('by agreement or by an adjudicator'),
            'verdict' => Field::text('include or exclude'),
            'criterion_id' => Field::id('which criterion failed')->orNone(),
            'note' => Field::text('why'),
            'at' => Field::time('when'),
        ], fn (Review $review): Builder => DB::table('settlements')
            ->join('users', 'users.id', '=', 'settlements.user_id')
            ->where('settlements.review_id', $review->id)
            ->whereNull('settlements.superseded_at')
            ->select(['settlements.*', 'users.name AS by', 'settlements.created_at AS at']), 'settlements.id');
    }
}
