<?php

declare(strict_types=1);

namespace App\Http\Controllers\Library;

use App\Actions\Library\ExportByRecipe;
use App\Actions\Shared\KeepRecipe;
use App\Actions\Shared\RecipeColumns;
use App\Actions\Shared\RecipeDraft;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Shared\RecipeRules;
use App\Models\ExportRecipe;
use App\Models\Review;
use App\Queries\Library\LibraryFilters;
use App\Queries\Library\LibraryReferences;
use App\Queries\Library\RecipeFacts;
use App\Queries\Shared\Asked;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Tables for other programs: columns chosen, renamed and ordered, kept under a name. */
final class RecipeController extends Controller
{
    public function store(Request $request, Review $review, KeepRecipe $keep): RedirectResponse
    {
        $given = $request->validate(RecipeRules::of($review), RecipeRules::TAKEN);
        $fields = [...ExportByRecipe::FIELDS, ...RecipeFacts::answerFields($review)];
        $columns = RecipeColumns::read($given['columns'], array_keys($fields), 'id');
        if ($columns->problem !== '') {
            return back()
                ->withInput()
                ->withErrors(['columns' => $columns->problem]);
        }
        $filters = LibraryFilters::from(Input::asked($request), $review, $this->me($request));
        $filter = self::filter($request);
        $words = implode(', ', $filters->words());
        $draft = new RecipeDraft('library', $given['name'], $given['format'], $columns, $filter, $words);
        $keep->add($this->me($request), $review, $draft);

        return redirect()
            ->to(route('library', [$review, ...$filter]).'#export')
            ->with('notice', 'The recipe is kept'.($words === '' ? '.' : ", of those {$words}."));
    }

    /** @return array<string, string> what the address says of the library */
    private static function filter(Request $request): array
    {
        return array_filter(
            (array) $request->query(),
            fn (mixed $value, string $key): bool => in_array($key, LibraryFilters::KEYS, true) &&
                is_string($value) &&
                $value !== '',
            ARRAY_FILTER_USE_BOTH,
        );
    }

    public function destroy(Request $request, Review $review, ExportRecipe $recipe, KeepRecipe $keep): RedirectResponse
    {
        $keep->drop($this->me($request), $recipe);

        return redirect()
            ->to(route('library', $review).'#export')
            ->with('notice', 'The recipe is gone.');
    }

    public function export(Request $request, Review $review, ExportRecipe $recipe, ExportByRecipe $export): Response
    {
        // what the recipe is of, wherever it is pressed
        $filters = LibraryFilters::from(new Asked($recipe->filter), $review, $this->me($request));
        $references = LibraryReferences::of($review, $filters);
        $rows = $export->rows($this->me($request), $review, $recipe, $references, $request->boolean('changed'));

        return TableDownload::make($recipe->name, $recipe->format, $rows);
    }
}
