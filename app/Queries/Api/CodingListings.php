<?php

declare(strict_types=1);

namespace App\Queries\Api;

use App\Models\Review;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** What is asked of the included studies, and what they answer. */
final class CodingListings
{
    /** @return list<Listing> */
    public static function all(): array
    {
        return [self::codebook(), self::answers(), self::themes(), self::passages()];
    }

    private static function codebook(): Listing
    {
        return new Listing('codebook', 'Items of the codebook', [
            'id' => Field::id('the item'),
            'position' => Field::whole('its place'),
            'label' => Field::text('what is asked'),
            'section' => Field::text('under which heading'),
            'type' => Field::text('what an answer is'),
            'options' => Field::texts('what may be chosen'),
            'unit' => Field::text('of a number'),
            'guidance' => Field::text('how to answer'),
            'pass' => Field::text('asked of all studies, or in depth'),
            'per' => Field::text('asked of each arm or site; empty: of the study once'),
            'required' => Field::flag('whether it has to be answered'),
            'retired_at' => Field::time('since when it is asked no more')->orNone(),
        ], fn (Review $review): Builder => DB::table('codes')->where('review_id', $review->id));
    }

    private static function answers(): Listing
    {
        return new Listing('answers', 'Answers that stand; where two code apart, my own and those that are agreed', [
            'id' => Field::id('the answer'),
            'publication_id' => Field::id('of which study'),
            'code_id' => Field::id('to which item'),
            'part_id' => Field::id('of which arm or site')->orNone(),
            'kind' => Field::text('a value, not reported, does not apply'),
            'value' => Field::json('of the type of the item'),
            'note' => Field::text('of whoever answered'),
            'evidence' => Field::json('quote, page and place of each piece'),
            'by' => Field::text('who'),
            'agreed' => Field::flag('whether it counts, or is my own only'),
            'at' => Field::time('when'),
        ], fn (Review $review, User $user): Builder => DB::table('answers')
            ->join('users', 'users.id', '=', 'answers.user_id')
            ->where('answers.review_id', $review->id)
            ->whereNull('answers.superseded_at')
            ->whereIn('answers.hand', array_unique(['', $review->handOf($user)]))
            ->select(['answers.*', 'users.name AS by', 'answers.created_at AS at'])
            ->selectRaw("answers.hand = '' AS agreed"), 'answers.id', [
                'publication_id' => [Field::id('only of this study'), 'answers.publication_id'],
                'code_id' => [Field::id('only to this item'), 'answers.code_id'],
            ]);
    }

    private static function themes(): Listing
    {
        return new Listing('themes', 'Codes of passages, as a tree', [
            'id' => Field::id('the theme'),
            'name' => Field::text('as the team calls it'),
            'parent_id' => Field::id('under which')->orNone(),
        ], fn (Review $review): Builder => DB::table('themes')->where('review_id', $review->id));
    }

    private static function passages(): Listing
    {
        return new Listing('passages', 'Marked passages of papers', [
            'id' => Field::id('the passage'),
            'publication_id' => Field::id('of which paper'),
            'themes' => Field::texts('ids of its themes'),
            'evidence' => Field::json('quote, page and place'),
            'at' => Field::time('when'),
        ], fn (Review $review): Builder => DB::table('passages')
            ->where('review_id', $review->id)
            ->whereNull('removed_at')
            ->select(['passages.*', 'created_at AS at'])
            ->selectRaw('(SELECT coalesce(json_agg(trim(t.theme_id) ORDER BY t.theme_id), \'[]\') FROM passage_themes t WHERE t.review_id = passages.review_id AND t.passage_id = passages.id) AS themes'), filters: [
                'publication_id' => [Field::id('only of this paper'), 'publication_id'],
            ]);
    }
}
