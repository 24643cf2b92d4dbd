<?php

declare(strict_types=1);

namespace App\Queries\Api;

use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** How a review searched. */
final class SearchListings
{
    /** @return list<Listing> */
    public static function all(): array
    {
        return [self::strategies(), self::runs(), self::known()];
    }

    private static function strategies(): Listing
    {
        return new Listing('strategies', 'Search strategies as they stand', [
            'id' => Field::id('the strategy'),
            'name' => Field::text('as the team calls it'),
            'sources' => Field::texts('databases that it is for'),
            'content' => Field::json('its blocks, terms, lines and limits'),
            'archived_at' => Field::time('since when it is put away')->orNone(),
            'updated_at' => Field::time('of its last change'),
        ], fn (Review $review): Builder => DB::table('strategies')
            ->join('strategy_revisions', fn ($join) => $join
                ->on('strategy_revisions.strategy_id', '=', 'strategies.id')
                ->on('strategy_revisions.number', '=', 'strategies.head'))
            ->where('strategies.review_id', $review->id)
            ->select(['strategies.*', 'strategy_revisions.content']), 'strategies.id');
    }

    private static function runs(): Listing
    {
        return new Listing('runs', 'Strategies as they were sent to databases', [
            'id' => Field::id('the run'),
            'strategy_id' => Field::id('what was run'),
            'version' => Field::whole('frozen version of it'),
            'source' => Field::text('key of the database'),
            'source_title' => Field::text('its name'),
            'dialect' => Field::text('the query language'),
            'query_sent' => Field::text('what was sent, to the letter'),
            'lines' => Field::json('each line with what it found'),
            'total' => Field::whole('records found'),
            'ran_at' => Field::time('when'),
        ], fn (Review $review): Builder => DB::table('runs')->where('review_id', $review->id), filters: [
            'strategy_id' => [Field::id('only of this strategy'), 'strategy_id'],
        ]);
    }

    private static function known(): Listing
    {
        return new Listing('known-items', 'Records that a strategy has to find', [
            'id' => Field::id('the known item'),
            'title' => Field::text('its title'),
            'doi' => Field::text('without resolver')->orNone(),
            'added_at' => Field::time('when'),
        ], fn (Review $review): Builder => DB::table('known_items')->where('review_id', $review->id));
    }
}
