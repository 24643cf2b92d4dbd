<?php

declare(strict_types=1);

namespace App\Http\Controllers\Deliveries;

use App\Actions\Deliveries\TakeReferences;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Queries\Deliveries\ReferenceSources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Citation searching: what the included reports cite, taken from their full texts. */
final class ReferenceListController extends Controller
{
    public function index(Review $review): View
    {
        return view('deliveries.references', [
            'review' => $review,
            'sources' => ReferenceSources::of($review),
            'mayTake' => Gate::allows('deliver', $review),
            'isAtWork' => $review->isAtWork('references'),
        ]);
    }

    public function store(Request $request, Review $review, TakeReferences $take): RedirectResponse
    {
        $given = $request->validate(
            ['copies' => ['required', 'array', 'max:'.TakeReferences::MOST], 'copies.*' => ['string', 'size:26']],
            ['copies.required' => 'Tick at least one report.'],
        );
        $copies = array_values(array_intersect(ReferenceSources::of($review)->allOpen(), $given['copies']));
        if ($copies === []) {
            return back()->withErrors(['copies' => 'The lists of these were taken already, or their copies are gone.']);
        }
        $take->later($this->me($request), $review, $copies);

        return redirect()
            ->route('deliveries.references', $review)
            ->with('notice', 'The lists are being read. Each becomes a delivery of its own.');
    }
}
