<?php

declare(strict_types=1);

namespace App\Actions\Shared;

use App\Models\ExportRecipe;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Keeps a recipe for the columns of a table, or drops it. */
final readonly class KeepRecipe
{
    public function __construct(private WriteLog $log)
    {
    }

    public function add(User $by, Review $review, RecipeDraft $draft): ExportRecipe
    {
        return DB::transaction(function () use ($by, $review, $draft): ExportRecipe {
            $recipe = $review->recipes()->create([
                'table_of' => $draft->tableOf,
                'name' => $draft->name,
                'columns' => $draft->columns->columns,
                'format' => $draft->format,
                'filter' => $draft->filter,
                'filter_words' => $draft->filterWords,
                'created_by' => $by->id,
            ]);
            ($this->log)($review, $by, 'recipe.made', "Made an export recipe: {$recipe->name}", $recipe);

            return $recipe;
        });
    }

    public function drop(User $by, ExportRecipe $recipe): void
    {
        DB::transaction(function () use ($by, $recipe): void {
            $recipe->delete();
            ($this->log)($recipe->review_id, $by, 'recipe.removed', "Removed an export recipe: {$recipe->name}");
        });
    }
}
