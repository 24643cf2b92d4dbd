<?php

declare(strict_types=1);

namespace App\Http\Controllers\Screening;

use App\Actions\Screening\ChangeMarkLists;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\MarkList;
use App\Models\Review;
use App\Queries\Screening\MarkedList;
use App\Queries\Screening\Marks;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** The words that are marked while reading. */
final class MarkListController extends Controller
{
    public function index(Review $review): View
    {
        return view('screening.marks', [
            'review' => $review,
            'lists' => $review->markLists()->with('criterion')->orderBy('id')->get(),
            'criteria' => $review->criteria()->whereNull('retired_at')->get(),
            'concepts' => array_values(
                array_filter(Marks::of($review)->lists, fn (MarkedList $one): bool => $one->kind === MarkedList::CONCEPT),
            ),
        ]);
    }

    public function store(Request $request, Review $review, ChangeMarkLists $change): RedirectResponse
    {
        $list = $change->save($this->me($request), $review, $this->values($request, $review));

        return redirect()
            ->route('marks', $review)
            ->with('notice', "“{$list->name}” is marked at the Reading Desk from now on.");
    }

    public function update(
        Request $request,
        Review $review,
        MarkList $markList,
        ChangeMarkLists $change,
    ): RedirectResponse {
        $change->save($this->me($request), $review, $this->values($request, $review), $markList, Input::shown($request));

        return redirect()
            ->route('marks', $review)
            ->with('notice', "“{$markList->name}” is changed.");
    }

    public function destroy(
        Request $request,
        Review $review,
        MarkList $markList,
        ChangeMarkLists $change,
    ): RedirectResponse {
        $change->remove($this->me($request), $markList);

        return redirect()
            ->route('marks', $review)
            ->with('notice', "“{$markList->name}” is no longer marked.");
    }

    /** @return array<string, ?string> */
    private function values(Request $request, Review $review): array
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80', 'regex:/\S/'],
            'stance' => ['required', 'in:for,against'],
            'words' => ['required', 'string', 'max:8000', 'regex:/\S/'],
            'criterion' => ['nullable', Rule::in($review->criteria()->pluck('id')->all())],
        ]);

        return [
            'name' => trim($given['name']),
            'stance' => $given['stance'],
            'words' => trim($given['words']),
            'criterion_id' => $given['criterion'] ?? null,
        ];
    }
}
