<?php

declare(strict_types=1);

namespace App\Http\Controllers\Screening;

use App\Access\Ability;
use App\Actions\Screening\ChangeShares;
use App\Actions\Screening\MakeShareOut;
use App\Actions\Shared\Refused;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Screening\ShareOutTerms;
use App\Models\Membership;
use App\Models\Review;
use App\Models\ShareOut;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Library\LibraryChoices;
use App\Queries\Library\LibraryFilters;
use App\Queries\Screening\ShareOut\AskedMove;
use App\Queries\Screening\ShareOut\MadeShareOuts;
use App\Queries\Screening\ShareOut\ShareOutDraft;
use App\Queries\Screening\ShareOut\Shares;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;

/** Who judges what. */
final class ShareOutController extends Controller
{
    /** What a pool is narrowed down by, named as in the library; where it stands is asked of the stage before. */
    private const FILTERS = ['q', 'tag', 'source', 'delivery', 'from', 'to', 'type', 'language', 'state', 'coded'];

    private const MADE = [
        'name' => ['required', 'string', 'max:120', 'regex:/\S/'],
        'expected' => ['required', 'integer', 'min:0'],
        'seed' => ['required', 'integer', 'min:0'],
    ];

    private const TO_NOBODY = ['to.required' => 'Choose who takes them.'];

    public function index(Request $request, Review $review, ChangeShares $change): View
    {
        $stage = $this->stage($request, $review);
        $terms = ShareOutTerms::from($request, $review, $stage->required_decisions);
        $filters = $this->filters($request, $review);

        return view('screening.share-outs', [
            'typed' => $this->typed($request, $review),
            'review' => $review,
            'stage' => $stage,
            'people' => $this->screeners($review),
            'terms' => $terms,
            'filters' => $filters,
            'choices' => LibraryChoices::of($review),
            'draft' => $request->has('people') && $request->user()?->can('manage', $review)
                    ? ShareOutDraft::of($stage, $filters, $terms)
                    : null,
            ...get_object_vars(MadeShareOuts::of($review, $stage, $this->screeners($review))),
            'asking' => $this->asking($request, $review, $stage, $change),
            'deliveries' => LibraryChoices::deliveries($review),
        ]);
    }

    /** @return array<string, string> by field of the form */
    private function typed(Request $request, Review $review): array
    {
        $quotas = $this->screeners($review)->map(fn (User $one): string => "quota.{$one->id}")->all();
        $fields = ['q', 'tag', 'delivery', 'state', 'of', 'coded', 'sample', 'percent', ...$quotas];

        return array_combine($fields, array_map(fn (string $one): string => Input::text($request, $one), $fields));
    }

    public function store(Request $request, Review $review, MakeShareOut $make): RedirectResponse
    {
        $stage = $this->stage($request, $review);
        $given = $request->validate(self::MADE);
        $filters = $this->filters($request, $review);
        $terms = ShareOutTerms::from($request, $review, $stage->required_decisions);
        [$me, $expected] = [$this->me($request), (int) $given['expected']];
        $made = $make->execute($me, $stage, $filters, $terms, trim($given['name']), $expected);

        return redirect()
            ->route('share-outs', [$review, 'stage' => $made->stage_id])
            ->with('notice', number_format($made->items).' publications are shared out.');
    }

    public function handOn(Request $request, Review $review, Stage $stage, ChangeShares $change): RedirectResponse
    {
        $given = $request->validate([
            'from' => ['required', 'string', 'size:26'],
            'to' => ['required', 'array', 'min:1'],
            'to.*' => ['in:'.$this->screeners($review)->implode('id', ',')],
        ], self::TO_NOBODY);
        $from = User::query()->whereKey($given['from'])->firstOrFail();
        $count = number_format($change->handOn($this->me($request), $stage, $from, array_values($given['to'])));

        return redirect()
            ->route('share-outs', [$review, 'stage' => $stage->id])
            ->with('notice', "{$count} undone items have been handed on. What was decided stays.");
    }

    public function withdraw(
        Request $request,
        Review $review,
        ShareOut $shareOut,
        ChangeShares $change,
    ): RedirectResponse {
        $gone = $change->withdraw($this->me($request), $shareOut);

        return redirect()
            ->route('share-outs', [$review, 'stage' => $shareOut->stage_id])
            ->with('notice', number_format($gone).' judgements not yet made are taken back. What was decided stays.');
    }

    /**
     * What handing on or taking back would do, where that is asked; nothing is changed by it.
     */
    private function asking(Request $request, Review $review, Stage $stage, ChangeShares $change): ?AskedMove
    {
        if ($request->user()?->can('manage', $review) !== true) {
            return null;
        }
        $back = ShareOut::query()
            ->where('review_id', $review->id)
            ->whereKey(strtolower(Input::text($request, 'withdraw')))
            ->whereNull('withdrawn_at')
            ->first();
        if ($back !== null) {
            return AskedMove::back($back, Shares::ofShareOut($back));
        }

        return $this->handing($request, $review, $stage, $change);
    }

    private function handing(Request $request, Review $review, Stage $stage, ChangeShares $change): ?AskedMove
    {
        $from = User::query()
            ->whereKey(strtolower(Input::text($request, 'hand')))
            ->whereHas('memberships', fn ($m) => $m->where('review_id', $review->id))
            ->first();
        if ($from === null) {
            return null;
        }
        $to = array_values(
            array_intersect($this->screeners($review)->pluck('id')->all(), (array) $request->query('to')),
        );
        try {
            return AskedMove::on($from, $to, $change->handOnPlan($stage, $from, $to)->perPerson());
        } catch (Refused $refused) {
            return AskedMove::refused($from, $to, $refused->getMessage());
        }
    }

    private function filters(Request $request, Review $review): LibraryFilters
    {
        return LibraryFilters::from(Input::asked($request), $review, $this->me($request), self::FILTERS, 'of');
    }

    /** @return Collection<int, User> */
    private function screeners(Review $review): Collection
    {
        return $review
            ->memberships()
            ->with('user')
            ->get()
            ->filter(fn (Membership $m): bool => $m->role->may(Ability::Screen))
            ->map(fn (Membership $m): User => $m->user)
            ->sortBy('name')
            ->values();
    }
}
