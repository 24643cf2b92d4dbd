<?php

declare(strict_types=1);

namespace App\Http\Controllers\Synthesis;

use App\Actions\Synthesis\SettleResult;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Publication;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Coding\Reconcile\Reconciling;
use App\Queries\Synthesis\CodedTwice;
use App\Queries\Synthesis\OutcomeBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Where two who take results apart differ. */
final class ResultDifferenceController extends Controller
{
    public function index(Request $request, Review $review): View
    {
        $twice = CodedTwice::in($review);
        $open = $twice->open();
        $at = Input::whole($request, 'at', 1, max(1, count($open))) - 1;
        $one = $open[$at] ?? null;
        $side = $one?->sides->first();

        return view('coding.reconcile-results', [
            'review' => $review,
            'open' => $open,
            'at' => $at,
            'one' => $one,
            'publication' => $one === null ? null : Publication::query()->findOrFail($one->publication),
            'outcome' => $side === null ? null : ReviewOutcome::query()->findOrFail($side->outcome_id),
            'comparison' => OutcomeBook::of($review)->comparisons->firstWhere('id', $side?->comparison_id),
            'agreement' => $twice->agreement(),
            'outcomes' => ReviewOutcome::query()->where('review_id', $review->id)->pluck('name', 'id'),
            'answers' => Reconciling::in($review)->openCount(),
        ]);
    }

    public function settle(Request $request, Review $review, Publication $publication, SettleResult $settle): RedirectResponse
    {
        $given = $request->validate([
            'rows' => ['required', 'array', 'between:1,2'],
            'rows.*' => ['required', 'string', 'size:26'],
            'take' => ['nullable', 'string', 'size:26'],
            'leave' => ['nullable', 'boolean'],
            'given' => ['nullable', 'array', 'max:30'],
            'given.*' => ['nullable', 'string', 'max:60'],
            'at' => ['nullable', 'integer', 'between:1,100000'],
        ]);
        $rows = array_values($given['rows']);
        $me = $this->me($request);
        // of what only one has taken, the lead says what becomes of it
        count($rows) === 1 && Gate::authorize('manage', $review);
        match (true) {
            count($rows) === 1 && (bool) ($given['leave'] ?? false) => $settle->leave($me, $review, $publication, $rows[0]),
            isset($given['take']) => $settle->take($me, $review, $publication, $rows, $given['take']),
            default => $settle->otherwise($me, $review, $publication, $rows, self::numbers($given['given'] ?? [])),
        };

        return redirect()->route('reconcile.results', [$review, 'at' => $given['at'] ?? 1])->with('notice', 'It is settled so.');
    }

    /**
     * @param  array<string, ?string>  $given
     * @return array<string, string>
     */
    private static function numbers(array $given): array
    {
        return array_filter(array_map(fn (?string $one): string => trim((string) $one), $given), fn (string $one): bool => $one !== '');
    }
}
