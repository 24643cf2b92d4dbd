<?php

declare(strict_types=1);

namespace App\Http\Controllers\Synthesis;

use App\Actions\Synthesis\ChangeOutcomes;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Synthesis\OutcomeRequest;
use App\Models\Arm;
use App\Models\Comparison;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Synthesis\OutcomeBook;
use App\Queries\Synthesis\Traced\WhereUsed;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Outcomes, groups and comparisons of a review. */
final class OutcomeController extends Controller
{
    public function index(Review $review): View
    {
        return view('synthesis.outcomes', [
            'review' => $review,
            'book' => OutcomeBook::of($review),
            'counts' => OutcomeBook::counts($review),
            'used' => WhereUsed::in($review),
        ]);
    }

    public function store(OutcomeRequest $request, Review $review, ChangeOutcomes $change): RedirectResponse
    {
        $change->addOutcome($this->me($request), $review, $request->kind(), $request->called(), $request->values());

        return redirect()->route('outcomes', $review)->with('notice', 'The outcome is defined.');
    }

    public function update(OutcomeRequest $request, Review $review, ReviewOutcome $outcome, ChangeOutcomes $change): RedirectResponse
    {
        $change->changeOutcome($this->me($request), $review, $outcome, $request->values(), Input::shown($request));

        return redirect()->route('outcomes', $review)->with('notice', 'The outcome is changed.');
    }

    public function retire(Request $request, Review $review, ReviewOutcome $outcome, ChangeOutcomes $change): RedirectResponse
    {
        $change->retireOutcome($this->me($request), $review, $outcome);

        return redirect()->route('outcomes', $review)->with('notice', 'The outcome is retired. Its results are kept.');
    }

    public function arm(Request $request, Review $review, ChangeOutcomes $change): RedirectResponse
    {
        $given = $request->validate([
            'arm' => ['required', 'string', 'max:200'],
            'arm_kind' => ['required', 'in:intervention,comparator'],
        ]);
        $change->addArm($this->me($request), $review, $given['arm'], $given['arm_kind']);

        return redirect()->route('outcomes', $review)->with('notice', 'The group is defined.');
    }

    public function compare(Request $request, Review $review, ChangeOutcomes $change): RedirectResponse
    {
        $arm = fn (string $key): Arm => Arm::query()->where('review_id', $review->id)->findOrFail(Input::text($request, $key));
        $change->compare($this->me($request), $review, $arm('intervention'), $arm('comparator'));

        return redirect()->route('outcomes', $review)->with('notice', 'The comparison is defined.');
    }

    public function endComparison(Request $request, Review $review, Comparison $comparison, ChangeOutcomes $change): RedirectResponse
    {
        $change->retireComparison($this->me($request), $review, $comparison);

        return redirect()->route('outcomes', $review)->with('notice', 'The comparison is retired. Its results are kept.');
    }
}
