<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shared;

use App\Actions\Shared\KeepRecipe;
use App\Actions\Shared\RecipeColumns;
use App\Actions\Shared\RecipeDraft;
use App\Actions\Shared\TableByRecipe;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Requests\Coding\TableRequest;
use App\Http\Requests\Scouting\ScoutingRequest;
use App\Http\Requests\Shared\RecipeRules;
use App\Models\ExportRecipe;
use App\Models\Review;
use App\Models\Scouting;
use App\Queries\Coding\Table\TableRows;
use App\Queries\Scouting\FoundPapers;
use App\Queries\Scouting\ScoutingRows;
use App\Queries\Shared\TableRecipes;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The columns of the coding table and of a question's papers, chosen, renamed and kept for one's own table tool. */
final class TableRecipeController extends Controller
{
    public function __construct(private readonly KeepRecipe $keep, private readonly TableByRecipe $table)
    {
    }

    public function ofCoding(TableRequest $request, Review $review): RedirectResponse
    {
        return $this->store($request, $review, TableRecipes::CODING, TableRecipes::codingFields($review));
    }

    public function ofScouting(Request $request, Review $review, Scouting $scouting): RedirectResponse
    {
        return $this->store($request, $review, TableRecipes::SCOUTING, TableRecipes::scoutingFields($scouting));
    }

    public function destroy(Request $request, Review $review, ExportRecipe $recipe): RedirectResponse
    {
        abort_if($recipe->table_of === TableRecipes::LIBRARY, 404);
        $this->keep->drop($this->me($request), $recipe);

        return back()->with('notice', 'The recipe is gone.');
    }

    public function coding(TableRequest $request, Review $review, ExportRecipe $recipe): BinaryFileResponse
    {
        abort_unless($recipe->table_of === TableRecipes::CODING, 404);
        $rows = new TableRows($review, $request->terms($review)->whole(), array_keys(TableRows::PARTS));

        return $this->download($request, $recipe, $rows->all(), '');
    }

    public function scouting(
        ScoutingRequest $request,
        Review $review,
        Scouting $scouting,
        ExportRecipe $recipe,
    ): BinaryFileResponse {
        // the two belong to the review, not to each other, so the route cannot check it
        abort_unless($recipe->review_id === $review->id && $scouting->review_id === $review->id, 404);
        abort_unless($recipe->table_of === TableRecipes::SCOUTING, 404);
        $papers = new FoundPapers($scouting, $request->terms($scouting));

        return $this->download($request, $recipe, ScoutingRows::of($scouting, $papers), $scouting->id);
    }

    /** @param  list<string>  $fields  the first is the key */
    private function store(Request $request, Review $review, string $of, array $fields): RedirectResponse
    {
        $given = $request->validate(RecipeRules::of($review), RecipeRules::TAKEN);
        $columns = RecipeColumns::read($given['columns'], [...$fields, TableByRecipe::CHANGE], $fields[0]);
        if ($columns->problem !== '') {
            return back()
                ->withInput()
                ->withErrors(['columns' => $columns->problem]);
        }
        $this->keep->add(
            $this->me($request),
            $review,
            new RecipeDraft($of, $given['name'], $given['format'], $columns),
        );

        return back()->with('notice', 'The recipe is kept.');
    }

    /** @param  iterable<list<string|int|float|null>>  $rows */
    private function download(Request $request, ExportRecipe $recipe, iterable $rows, string $scope): BinaryFileResponse
    {
        $rows = $this->table->rows($this->me($request), $recipe, $rows, $scope, $request->boolean('changed'));

        return TableDownload::make($recipe->name, $recipe->format, $rows);
    }
}
