<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Models\ExportRecipe;
use App\Models\Review;
use App\Models\Scouting;
use App\Queries\Coding\Table\TableRows;
use App\Queries\Coding\Table\TableTerms;
use App\Queries\Scouting\ScoutingRows;
use Illuminate\Database\Eloquent\Collection;

/** The recipes of a review for one of its tables, and what their columns can hold: the headings of that table. */
final class TableRecipes
{
    public const LIBRARY = 'library';

    public const CODING = 'coding';

    public const SCOUTING = 'scouting';

    /** @return Collection<int, ExportRecipe> */
    public static function of(Review $review, string $table): Collection
    {
        return $review->recipes()->where('table_of', $table)->orderBy('name')->get();
    }

    /** @return list<string> */
    public static function codingFields(Review $review): array
    {
        return (new TableRows($review, TableTerms::all($review), array_keys(TableRows::PARTS)))->headings();
    }

    /** @return list<string> */
    public static function scoutingFields(Scouting $scouting): array
    {
        return ScoutingRows::headings($scouting);
    }
}
