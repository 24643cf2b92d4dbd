<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Contracts\Database\Query\Builder;

/**
 * What blinding lets a person see: of an item that has not opened, what they themselves did and nothing else.
 *
 * Every list, count, export and log that touches decisions goes through here.
 */
final class Visibility
{
    /** For queries on decisions joined with items. */
    public static function decisions(Builder $query, User $user): Builder
    {
        return $query->where(fn (Builder $any) => $any->whereNotNull('items.opened_at')->orWhere('decisions.user_id', $user->id));
    }

    /** For queries on log_entries. */
    public static function log(Builder $query, User $user): Builder
    {
        return $query->where(fn (Builder $any) => $any
            ->whereNull('log_entries.blinded_item_id')
            ->orWhere('log_entries.user_id', $user->id)
            ->orWhereExists(fn (Builder $item) => $item->selectRaw('1')->from('items')
                ->whereColumn('items.review_id', 'log_entries.review_id')->whereColumn('items.id', 'log_entries.blinded_item_id')->whereNotNull('items.opened_at')));
    }
}
