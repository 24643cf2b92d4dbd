<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Models\Stage;
use Illuminate\Database\Query\Builder;

/** Conditions on what a publication is at a stage, or on what was decided there. */
final class Items
{
    /** @param  \Closure(Builder): mixed  $condition  on items */
    public static function where(Builder $publications, Stage $stage, \Closure $condition): void
    {
        $publications->whereExists(function (Builder $items) use ($stage, $condition): void {
            $condition(
                $items
                    ->selectRaw('1')
                    ->from('items')
                    ->whereColumn('items.review_id', 'publications.review_id')
                    ->whereColumn('items.publication_id', 'publications.id')
                    ->where('items.stage_id', $stage->id),
            );
        });
    }

    /** @param  \Closure(Builder): mixed  $condition  on decisions and their items */
    public static function whereDecided(Builder $publications, Stage $stage, \Closure $condition): void
    {
        $publications->whereExists(function (Builder $decisions) use ($stage, $condition): void {
            $condition(
                $decisions
                    ->selectRaw('1')
                    ->from('decisions')
                    ->join('items', 'items.id', '=', 'decisions.item_id')
                    ->whereColumn('items.review_id', 'decisions.review_id')
                    ->whereColumn('items.review_id', 'publications.review_id')
                    ->whereColumn('items.publication_id', 'publications.id')
                    ->where('items.stage_id', $stage->id),
            );
        });
    }
}
