<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\ChangeSubset;
use App\Http\Controllers\Controller;
use App\Http\Requests\Coding\SubsetRequest;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\DepthSubset;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Coding\Pass;

/** The studies that go on to the in-depth pass. */
final class SubsetController extends Controller
{
    public function show(SubsetRequest $request, Review $review): View
    {
        $subset = DepthSubset::of($review);
        $tried = $request->rule($review);
        $studies = CodingTable::included($review)->keyBy('id');

        return view('coding.subset', [
            'review' => $review,
            'subset' => $subset,
            'studies' => $subset->studies(),
            'others' => $subset->others(),
            'changes' => array_map(
                fn (array $ids): array => array_values($studies->only($ids)->all()),
                get_object_vars($subset->changes()),
            ),
            'tried' => $tried === [] ? null : $subset->tried($tried),
            'ticked' => array_column($tried === [] ? $subset->subset->rule ?? [] : $tried, 'answers', 'item'),
            'items' => $review->codes()->whereNull('retired_at')->where('pass', Pass::Mapping)->get()
                ->filter(fn (CodebookItem $one): bool => $one->code()->choosable() !== []),
        ]);
    }

    public function define(SubsetRequest $request, Review $review, ChangeSubset $change): RedirectResponse
    {
        $rule = $request->boolean('all') ? null : $request->rule($review);
        $change->define($this->me($request), $review, $rule, $request->boolean('follows'));

        return redirect()->route('coding.subset', $review)->with(
            'notice',
            'The in-depth pass goes to '.DepthSubset::of($review->refresh())->words().'.',
        );
    }

    public function follow(Request $request, Review $review, ChangeSubset $change): RedirectResponse
    {
        $change->followOnce($this->me($request), $review);

        return redirect()->route('coding.subset', $review)->with('notice', 'The list is as the rule says now.');
    }

    public function byHand(Request $request, Review $review, ChangeSubset $change): RedirectResponse
    {
        $given = $request->validate(
            [
                'studies' => ['required', 'array', 'max:1000'],
                'studies.*' => ['string'],
                'in' => ['required', 'boolean'],
            ],
        );
        $studies = array_values(array_intersect(CodedReports::ids($review), $given['studies']));
        $change->byHand($this->me($request), $review, $studies, (bool) $given['in']);

        return redirect()->route('coding.subset', $review)->with(
            'notice',
            $given['in'] ? 'They are in the subset.' : 'They are left out.',
        );
    }
}
