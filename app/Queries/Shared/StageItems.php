<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Models\Stage;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** The items of a stage, in whatever state, as a query to go on with. */
final class StageItems
{
    public static function of(Stage $stage): Builder
    {
        return DB::table('items')->where('items.review_id', $stage->review_id)->where('items.stage_id', $stage->id);
    }

    public static function withPublications(Stage $stage): Builder
    {
        return self::of($stage)->join('publications', fn ($of) => $of
            ->on('publications.review_id', '=', 'items.review_id')
            ->on('publications.id', '=', 'items.publication_id'));
    }
}
