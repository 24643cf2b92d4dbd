<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\Draft;
use App\Models\ExportRecipe;
use App\Models\Review;
use App\Models\Scouting;
use App\Queries\Shared\TableRecipes;
use Illuminate\Database\Eloquent\Collection;

/** Where the answers of a scouting can go on to. */
final readonly class Outlets
{
    /**
     * @param  Collection<int, ExportRecipe>  $recipes
     * @param  list<string>  $recipeFields
     */
    private function __construct(public Collection $recipes, public array $recipeFields, public ?Draft $draft)
    {
    }

    public static function of(Review $review, Scouting $scouting): self
    {
        return new self(
            TableRecipes::of($review, TableRecipes::SCOUTING),
            TableRecipes::scoutingFields($scouting),
            $review->drafts()->where('scouting_id', $scouting->id)->first(),
        );
    }
}
