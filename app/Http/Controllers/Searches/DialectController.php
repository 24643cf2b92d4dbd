<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\SaveDialect;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Review;
use App\Models\TeamDialect;
use App\Queries\Searches\Translated\TriedLine;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Search\Dialect\BadDialect;
use WaryHeron\Core\Search\Dialect\Dialect;
use WaryHeron\Core\Search\Dialect\Dialects;

final class DialectController extends Controller
{
    public function index(Request $request, Review $review): View
    {
        $own = TeamDialect::query()->where('review_id', $review->id)->orderBy('name')->get();
        $name = Input::text($request, 'open');
        $file =
            $own->firstWhere('name', $name)->file ??
            (in_array($name, Dialects::NAMES, true) ? Dialects::fileOf($name) : null);

        return view('searches.dialects', [
            'review' => $review,
            'own' => $own,
            'name' => $name,
            'file' => $file,
            'strategies' => $review->strategies()->whereNull('archived_at')->orderByDesc('created_at')->get(),
        ]);
    }

    /** The file as it is being written, tried on a strategy. */
    public function try(Request $request, Review $review): JsonResponse
    {
        $given = $request->validate([
            'file' => ['required', 'string', 'max:64000'],
            'strategy' => ['nullable', 'string'],
        ]);
        try {
            $dialect = Dialect::fromJson($given['file']);
        } catch (BadDialect $bad) {
            return response()->json(['problems' => $bad->problems, 'lines' => []]);
        }
        $strategy = isset($given['strategy']) ? $review->strategies()->whereKey($given['strategy'])->first() : null;
        $lines = $strategy === null ? null : $strategy->shown()->strategy();

        return response()->json([
            'problems' => [],
            'lines' => $lines === null ? [] : TriedLine::all($dialect, $lines),
        ]);
    }

    public function store(Request $request, Review $review, SaveDialect $save): RedirectResponse
    {
        $given = $request->validate(['file' => ['required', 'string', 'max:64000']]);
        try {
            $name = $save->execute($this->me($request), $review, $given['file']);
        } catch (BadDialect $bad) {
            return back()
                ->withInput()
                ->with('problem', "{$bad->getMessage()} Nothing was saved.");
        }

        return redirect()
            ->route('dialects', [$review, 'open' => $name])
            ->with('notice', "“{$name}” is saved, and stands in every translation table.");
    }
}
