<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Access\Ability;
use App\Actions\Searches\SetStandingSearch;
use App\Http\Controllers\Controller;
use App\Models\Delivery;
use App\Models\Review;
use App\Models\StandingSearch;
use App\Models\Strategy;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Search\Standing\Every;

/** A strategy that is run again by itself, and what each round brought. */
final class StandingSearchController extends Controller
{
    private const SHOWN = 50;

    /** In the morning, before people come. */
    private const HOUR = 5;

    public function show(Review $review, Strategy $strategy): View
    {
        $standing = self::of($strategy);
        $rounds = $standing?->rounds()->orderByDesc('id')->limit(self::SHOWN)->get() ?? collect();

        return view('searches.standing', [
            'review' => $review,
            'strategy' => $strategy,
            'standing' => $standing,
            'rounds' => $rounds,
            'deliveries' => Delivery::query()
                ->where('review_id', $review->id)
                ->whereIn('id', $rounds->pluck('deliveries')->flatten())
                ->get()
                ->keyBy('id'),
            'screeners' => $review->memberships()->with('user')->get()->filter(
                fn ($one): bool => $one->role->may(Ability::Screen),
            ),
        ]);
    }

    public function set(Request $request, Review $review, Strategy $strategy, SetStandingSearch $set): RedirectResponse
    {
        $given = $request->validate([
            'every' => ['required', Rule::enum(Every::class)],
            'first' => ['required', 'date_format:Y-m-d', 'after_or_equal:today'],
            'joins' => ['nullable', 'boolean'],
            'people' => ['nullable', 'array', 'max:200'],
            'people.*' => [Rule::in($review->memberships()->pluck('user_id')->all())],
        ], ['first.after_or_equal' => 'The first time is today or later.']);
        $first = CarbonImmutable::parse($given['first'])->setTime(self::HOUR, 0);
        $first = $first->isPast() ? now()->toImmutable() : $first;
        [$joins, $people] = [(bool) ($given['joins'] ?? false), array_values($given['people'] ?? [])];
        $set->set($this->me($request), $strategy, Every::from($given['every']), $first, $joins, $people);

        return redirect()
            ->route('strategies.standing', [$review, $strategy])
            ->with('notice', 'It runs by itself from now on.');
    }

    public function end(Request $request, Review $review, Strategy $strategy, SetStandingSearch $set): RedirectResponse
    {
        $set->end($this->me($request), self::of($strategy) ?? abort(404));

        return redirect()->route('strategies.standing', [$review, $strategy])->with(
            'notice',
            'It runs by itself no longer.',
        );
    }

    public function now(Request $request, Review $review, Strategy $strategy, SetStandingSearch $set): RedirectResponse
    {
        $set->begin(self::of($strategy) ?? abort(404), $this->me($request));

        return redirect()->route('strategies.standing', [$review, $strategy]);
    }

    private static function of(Strategy $strategy): ?StandingSearch
    {
        return StandingSearch::query()
            ->where('review_id', $strategy->review_id)
            ->where('strategy_id', $strategy->id)
            ->first();
    }
}
