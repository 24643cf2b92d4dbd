<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\ShareCoding;
use App\Http\Controllers\Controller;
use App\Http\Requests\Coding\CodingShareRequest;
use App\Models\Membership;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\CodingShareDraft;
use App\Queries\Coding\CodingShares;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Who codes which study: a share-out with its preview, and how far each share is. */
final class CodingShareController extends Controller
{
    public function show(CodingShareRequest $request, Review $review): View
    {
        $weights = $request->weights();

        return view('coding.shares', [
            'review' => $review,
            'standing' => CodingShares::standing($review),
            'studies' => CodedReports::count($review),
            'shared' => count(CodingShares::byStudy($review)),
            'coders' => CodingShares::coders($review),
            'weights' => $weights,
            'seed' => $request->seed(),
            'draft' => $weights === [] ? null : CodingShareDraft::of($review, $weights, $request->seed()),
        ]);
    }

    public function store(CodingShareRequest $request, Review $review, ShareCoding $share): RedirectResponse
    {
        $expected = (int) $request->validate(['expected' => ['required', 'integer']])['expected'];
        $share->give($this->me($request), $review, $request->weights(), $request->seed(), $expected);

        return redirect()->route('coding.shares', $review)->with(
            'notice',
            'The studies are shared out. Those who have a share were told.',
        );
    }

    public function handOn(
        Request $request,
        Review $review,
        Membership $membership,
        ShareCoding $share,
    ): RedirectResponse {
        $given = $request->validate(
            ['to' => ['required', 'array', 'max:100'], 'to.*' => ['string']],
            ['to.required' => 'Choose who is to have it.'],
        );
        $count = $share->handOn($this->me($request), $review, $membership->user, array_values($given['to']));

        return redirect()->route('coding.shares', $review)->with(
            'notice',
            "{$count} of the studies of {$membership->user->name} were handed on.",
        );
    }

    public function takeBack(
        Request $request,
        Review $review,
        Membership $membership,
        ShareCoding $share,
    ): RedirectResponse {
        $count = $share->takeBack($this->me($request), $review, $membership->user);

        return redirect()->route('coding.shares', $review)->with(
            'notice',
            "{$count} studies were taken back from {$membership->user->name}. What was coded stays.",
        );
    }
}
