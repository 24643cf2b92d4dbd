<?php

declare(strict_types=1);

namespace App\Http\Controllers\Library;

use App\Actions\Library\ExportByRecipe;
use App\Actions\Shared\WriteLog;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\ExportRecipe;
use App\Models\Review;
use App\Queries\Library\LibraryFilters;
use App\Queries\Library\LibraryReferences;
use App\Queries\Library\RecipeFacts;
use App\Queries\Shared\Asked;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\Response;

/** Tables for other programs: columns chosen, renamed and ordered, kept under a name. */
final class RecipeController extends Controller
{
    public function store(Request $request, Review $review, WriteLog $log): RedirectResponse
    {
        $given = $request->validate(
            [
                'name' => [
                    'required',
                    'string',
                    'max:80',
                    Rule::unique('export_recipes')->where('review_id', $review->id),
                ],
                'format' => ['required', 'in:csv,xlsx'],
                'columns' => ['required', 'string', 'max:4000'],
            ],
            ['name.unique' => 'There is a recipe of this name.'],
        );
        $fields = [...ExportByRecipe::FIELDS, ...RecipeFacts::answerFields($review)];
        $columns = [['field' => 'id', 'heading' => 'id', 'kind' => '']];
        foreach (preg_split('/\R/', trim($given['columns'])) ?: [] as $number => $line) {
            [$field, $heading, $kind] =
                preg_match('/^(.*?)(?:\s*=\s*(.*?))?(?:\s*\|\s*(text|number|date|link))?$/u', trim($line), $parts) === 1
                    ? [...array_slice($parts, 1), '', '', '']
                    : [$line, '', ''];
            if (! isset($fields[$field])) {
                return back()
                    ->withInput()
                    ->withErrors([
                        'columns' => 'Line '.
                            ($number + 1).
                            ": “{$field}” is no field. Fields: ".
                            implode(', ', array_keys($fields)).
                            '.',
                    ]);
            }
            if ($field === 'id') {
                $columns[0]['heading'] = $heading === '' ? 'id' : $heading;
            } else {
                $columns[] = ['field' => $field, 'heading' => $heading === '' ? $field : $heading, 'kind' => $kind];
            }
        }
        $filters = LibraryFilters::from(Input::asked($request), $review, $this->me($request));
        $filter = array_filter(
            (array) $request->query(),
            fn (mixed $value, string $key): bool => in_array($key, LibraryFilters::KEYS, true) &&
                is_string($value) &&
                $value !== '',
            ARRAY_FILTER_USE_BOTH,
        );
        $words = implode(', ', $filters->words());
        $recipe = $review
            ->recipes()
            ->create([
                'name' => $given['name'],
                'columns' => $columns,
                'format' => $given['format'],
                'filter' => $filter,
                'filter_words' => $words,
                'created_by' => $this->me($request)->id,
            ]);
        $log($review, $this->me($request), 'recipe.made', "Made an export recipe: {$recipe->name}", $recipe);

        return redirect()
            ->to(route('library', [$review, ...$filter]).'#export')
            ->with('notice', 'The recipe is kept'.($words === '' ? '.' : ", of those {$words}."));
    }

    public function destroy(Request $request, Review $review, ExportRecipe $recipe, WriteLog $log): RedirectResponse
    {
        $recipe->delete();
        $log($review, $this->me($request), 'recipe.removed', "Removed an export recipe: {$recipe->name}", $review);

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
