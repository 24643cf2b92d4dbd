<?php

declare(strict_types=1);

namespace App\Http\Controllers\Synthesis;

use App\Actions\Synthesis\KeepTable;
use App\Files\Out\TableDownload;
use App\Files\Out\TextDownload;
use App\Http\Controllers\Controller;
use App\Http\DocumentLimit;
use App\Http\Input;
use App\Models\Review;
use App\Models\SavedTable;
use App\Queries\Coding\Table\TableTerms;
use App\Queries\Coding\Themes\ThemeTree;
use App\Queries\Synthesis\OutcomeBook;
use App\Queries\Synthesis\Tables\StudyTable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

/** Tables of studies that are kept as definitions and run again. */
final class SavedTableController extends Controller
{
    /** So many studies stand on the page; files hold all. */
    private const SHOWN = 300;

    public function index(Review $review): View
    {
        return self::offering(view('synthesis.tables', [
            'review' => $review,
            'tables' => SavedTable::of($review)->get(),
        ]), $review);
    }

    public function store(Request $request, Review $review, KeepTable $keep): RedirectResponse
    {
        $terms = TableDefinition::fromArray($request->all());
        if ($terms->columns === []) {
            throw ValidationException::withMessages(['columns' => 'Choose at least one column.']);
        }
        $table = $keep->begin($this->me($request), $review, self::title($request, 'Table of studies'), $terms);

        return redirect()->route('tables.show', [$review, $table]);
    }

    /** As it is kept, or with terms that are being tried. */
    public function show(Request $request, Review $review, SavedTable $table): View
    {
        $terms = self::terms($request, $table);
        $shown = StudyTable::of($review, $terms);

        return self::offering(view('synthesis.table', [
            'review' => $review,
            'table' => $table,
            'terms' => $terms,
            'isTried' => $terms->toArray() !== $table->asked()->toArray(),
            'shown' => $shown,
            'groups' => $shown->groups(self::SHOWN),
            'most' => self::SHOWN,
        ]), $review);
    }

    public function update(Request $request, Review $review, SavedTable $table, KeepTable $keep): RedirectResponse
    {
        $keep->change($this->me($request), $review, $table, self::title($request, $table->title), self::terms($request, $table));

        return redirect()->route('tables.show', [$review, $table])->with('notice', 'The table is kept as it is shown.');
    }

    public function retire(Request $request, Review $review, SavedTable $table, KeepTable $keep): RedirectResponse
    {
        $keep->retire($this->me($request), $review, $table);

        return redirect()->route('tables', $review)->with('notice', 'The table is retired.');
    }

    public function download(Request $request, Review $review, SavedTable $table, string $format): Response
    {
        $shown = StudyTable::of($review, self::terms($request, $table));
        if ($format !== 'docx') {
            return TableDownload::make($table->title, $format, $shown->rows());
        }
        DocumentLimit::check($shown->studies->count() * count($shown->columns->heads), 'cells', 'studies or columns');

        return TextDownload::docx(
            $table->title,
            view('synthesis.table-file', ['title' => $table->title, 'shown' => $shown, 'groups' => $shown->groups(PHP_INT_MAX)])->render(),
        );
    }

    private static function terms(Request $request, SavedTable $table): TableDefinition
    {
        if (! $request->boolean('tried')) {
            return $table->asked();
        }
        $added = Input::text($request, 'item').':'.(Input::text($request, 'says') ?: Input::text($request, 'standing'));
        $filters = [...array_values((array) $request->input('with')), ...(strlen($added) > 1 && $added[-1] !== ':' ? [$added] : [])];

        return TableDefinition::fromArray([...$request->all(), 'with' => $filters]);
    }

    private static function title(Request $request, string $otherwise): string
    {
        return mb_substr(Input::text($request, 'title') ?: $otherwise, 0, 200);
    }

    /** With what may stand in a table. */
    private static function offering(View $view, Review $review): View
    {
        return $view->with([
            'items' => TableTerms::codesOf($review),
            'outcomes' => OutcomeBook::of($review)->outcomes,
            'themes' => ThemeTree::of($review)->themes,
        ]);
    }
}
