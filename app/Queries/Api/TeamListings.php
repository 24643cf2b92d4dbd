<?php

declare(strict_types=1);

namespace App\Queries\Api;

use App\Models\LogEntry;
use App\Models\Review;
use App\Models\User;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Who works on a review, by which criteria, and what happened. */
final class TeamListings
{
    /** @return list<Listing> */
    public static function all(): array
    {
        return [self::members(), self::criteria(), self::log()];
    }

    private static function members(): Listing
    {
        return new Listing('members', 'Who works on the review', [
            'id' => Field::id('the person'),
            'name' => Field::text('as the team knows them'),
            'role' => Field::text('what they may do'),
        ], fn (Review $review): Builder => DB::table('memberships')
            ->join('users', 'users.id', '=', 'memberships.user_id')
            ->where('memberships.review_id', $review->id)
            ->select(['users.id', 'users.name', 'memberships.role']), 'users.id');
    }

    private static function criteria(): Listing
    {
        return new Listing('criteria', 'Eligibility criteria, those that are retired too', [
            'id' => Field::id('the criterion'),
            'position' => Field::whole('its place'),
            'question' => Field::text('what is asked; “no” excludes'),
            'reason' => Field::text('what an exclusion by it is called'),
            'version' => Field::whole('counted up with each new wording'),
            'retired_at' => Field::time('since when it is asked no more')->orNone(),
        ], fn (Review $review): Builder => DB::table('criteria')->where('review_id', $review->id));
    }

    private static function log(): Listing
    {
        return new Listing('log', 'The Log, oldest first; what is blinded is told when it opens', [
            'id' => Field::id('the entry'),
            'at' => Field::time('when'),
            'by' => Field::text('who; empty where the machine did it, no name where names are hidden'),
            'action' => Field::text('what sort of thing'),
            'summary' => Field::text('in words'),
            'subject_type' => Field::text('what it is about')->orNone(),
            'subject_id' => Field::text('which')->orNone(),
        ], function (Review $review, User $user): Builder {
            $query = DB::table('log_entries')
                ->leftJoin('users', 'users.id', '=', 'log_entries.user_id')
                ->where('log_entries.review_id', $review->id)
                ->select(['log_entries.*', 'log_entries.created_at AS at', 'users.name AS by']);
            Visibility::log($query, $user);

            return $query;
        }, 'log_entries.id', more: self::hideNames(...));
    }

    /** @param  list<stdClass>  $rows */
    private static function hideNames(array $rows, Review $review, User $user): void
    {
        $entries = LogEntry::query()
            ->where('review_id', $review->id)
            ->whereIn('id', array_column($rows, 'id'))
            ->with('user')
            ->get()
            ->keyBy('id');
        Visibility::withoutNames($entries, $user);

        foreach ($rows as $row) {
            $row->by = $entries[$row->id]->user->name ?? '';
        }
    }
}
