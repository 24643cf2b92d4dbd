<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use Illuminate\Database\Query\Builder;

/** What an item in a query's table “items” has of its own, for whereExists() and whereNotExists(). */
final class ItemTraces
{
    /** A decision of anybody, also one that another has taken the place of. */
    public static function judged(Builder $decision): void
    {
        $decision
            ->selectRaw('1')
            ->from('decisions')
            ->whereColumn('decisions.review_id', 'items.review_id')
            ->whereColumn('decisions.item_id', 'items.id');
    }

    /** A publication that was found to be its own. */
    public static function joined(Builder $gone): void
    {
        $gone
            ->selectRaw('1')
            ->from('publications AS gone')
            ->whereColumn('gone.review_id', 'items.review_id')
            ->whereColumn('gone.merged_into', 'items.publication_id');
    }
}
