<?php

declare(strict_types=1);

namespace App\Http\Controllers\Asking;

use App\Actions\Asking\AskReview;
use App\Actions\Report\SetClaim;
use App\Http\Controllers\Controller;
use App\Models\AskedQuestion;
use App\Models\Report;
use App\Models\Review;
use App\Queries\Asking\AskedPieces;
use App\Queries\Report\Claims\PieceRef;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

/** Plain questions to what a review holds; each person sees their own. */
final class AskController extends Controller
{
    private const IN_NO_PLACE = ['scope.required' => 'Tick at least one place to look in.'];

    public function index(Request $request, Review $review): View
    {
        return $this->page($request, $review, null);
    }

    public function show(Request $request, Review $review, string $question): View
    {
        return $this->page($request, $review, $this->own($request, $review)->findOrFail($question));
    }

    public function store(Request $request, Review $review, AskReview $ask): RedirectResponse
    {
        $given = $request->validate([
            'question' => ['required', 'string', 'max:400'],
            'scope' => ['required', 'array', 'min:1'],
            'scope.*' => ['distinct', Rule::in(array_keys(AskedPieces::SCOPES))],
            'after' => ['nullable', 'string', 'size:26'],
            'narrow' => ['nullable', 'boolean'],
        ], self::IN_NO_PLACE);
        [$words, $scope] = [trim($given['question']), array_values($given['scope'])];
        $after = isset($given['after']) ? $this->own($request, $review)->where('id', $given['after'])->first() : null;
        $narrows = (bool) ($given['narrow'] ?? false);
        $asked = $ask->execute($this->me($request), $review, $words, $scope, $after, $narrows);

        return redirect()->route('ask.show', [$review, $asked->id]);
    }

    public function forget(Request $request, Review $review, string $question): RedirectResponse
    {
        $this->own($request, $review)->where('id', $question)->delete();

        return redirect()->route('ask', $review);
    }

    /** Words of what was found become a claim of the report that rests on it. */
    public function claim(Request $request, Review $review, string $question, SetClaim $set): RedirectResponse
    {
        Gate::authorize('write', $review);
        $given = $request->validate(['piece' => ['required', 'integer', 'min:0', 'max:1000']]);
        $asked = $this->own($request, $review)->findOrFail($question);
        $piece = $asked->found['pieces'][(int) $given['piece']] ?? null;
        $report = Report::of($review)->first();
        if ($report === null || ! is_array($piece['evidence'] ?? null)) {
            return back()->withErrors(['piece' => $report === null
                ? 'The report has not been begun: begin it first.'
                : 'That is not among what was found.']);
        }
        $id = strtolower((string) Str::ulid());
        $evidence = new PieceRef((string) $piece['evidence']['kind'], (string) $piece['evidence']['id']);
        $set->execute($this->me($request), $report, $id, [$evidence]);
        $words = trim((string) ($piece['says'] === '' ? $piece['quote'] : "{$piece['says']} ({$piece['study']})"));

        return redirect()->to(route('report.text', $review).'#claim-'.$id.'-'.rawurlencode(mb_substr($words, 0, 300)));
    }

    /** @return Builder<AskedQuestion> */
    private function own(Request $request, Review $review): Builder
    {
        return AskedQuestion::query()->where('review_id', $review->id)->where('user_id', $this->me($request)->id);
    }

    private function page(Request $request, Review $review, ?AskedQuestion $asked): View
    {
        return view('asking.show', [
            'review' => $review,
            'asked' => $asked,
            'before' => $asked?->after_id === null ? null : $this->own($request, $review)->find($asked->after_id),
            'isWaiting' => $asked !== null && $review->isAtWork('ask', route('ask.show', [$review, $asked->id], false)),
            'history' => $this->own($request, $review)->orderByDesc('id')->limit(30)->get(['review_id', 'id', 'question', 'created_at']),
            'scopes' => AskedPieces::SCOPES,
            'mayClaim' => Gate::allows('write', $review) && Report::of($review)->exists(),
        ]);
    }
}
