<?php

declare(strict_types=1);

namespace App\Http\Controllers\FullTexts;

use App\Actions\FullTexts\AskLocker;
use App\Actions\FullTexts\SetRetrieval;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\FullTexts\RetrievalRequest;
use App\Models\Review;
use App\Queries\FullTexts\Retrievals;
use App\Queries\FullTexts\Shelf;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The list of texts that are sought, worked through by key. */
final class RetrievalController extends Controller
{
    public function index(Request $request, Review $review): View
    {
        $kept = $this->kept($request);
        $found = Retrievals::found($review, $kept);
        $page = max(1, min(100000, $request->integer('page', 1)));
        $total = (clone $found)->count();
        $may = $this->me($request)->can('obtain', $review);

        return view('full-texts.sought', [
            'review' => $review,
            'stage' => Retrievals::stage($review),
            'counts' => Retrievals::counts($review),
            'kept' => $kept,
            'total' => $total,
            'page' => $page,
            'pages' => (int) ceil($total / Retrievals::PER_PAGE),
            'unassigned' => Retrievals::unassigned($review)->count(),
            'shelf' => $may ? Shelf::listed($review, $this->me($request)) : [],
            'list' => [
                'rows' => Retrievals::rows($review, $found, $page),
                'at' => Input::text($request, 'at'),
                'may' => $may,
                'today' => now()->format('Y-m-d'),
                'urls' => self::addresses($review, $kept),
            ],
        ]);
    }

    /**
     * @param  array<string, string>  $kept
     * @return array<string, string>
     */
    private static function addresses(Review $review, array $kept): array
    {
        return [
            'set' => route('retrievals.set', $review, false),
            'all' => route('retrievals.all', [$review, ...$kept], false),
            'locker' => route('retrievals.locker', $review, false),
            'files' => route('full-texts.store', $review, false),
            'unassigned' => route('full-texts.unassigned', $review, false),
            'standing' => route('full-texts.standing', [$review, 'FILE'], false),
            'better' => route('full-texts.better', [$review, 'FILE'], false),
            'takeOff' => route('full-texts.take-off', [$review, 'FILE'], false),
        ];
    }

    /** What the list holds beyond the page that is shown, to be told on together. */
    public function all(Request $request, Review $review): JsonResponse
    {
        return response()->json(['rows' => Retrievals::standings(Retrievals::found($review, $this->kept($request)))]);
    }

    public function set(RetrievalRequest $request, Review $review, SetRetrieval $set): JsonResponse
    {
        $ids = array_values(
            Retrievals::sought($review)
                ->whereIn('publications.id', $request->publications())
                ->pluck('publications.id')
                ->all(),
        );
        $set->execute(
            $this->me($request),
            $review,
            $ids,
            $request->state(),
            $request->reason(),
            $request->dated(),
        );

        return response()->json(['rows' => Retrievals::of($review, $ids), 'counts' => Retrievals::counts($review)]);
    }

    public function askLocker(Request $request, Review $review, AskLocker $ask): RedirectResponse
    {
        $given = $request->validate([
            'publications' => ['nullable', 'array', 'max:'.Retrievals::AT_ONCE],
            'publications.*' => ['string'],
        ]);
        $ask->execute(
            $this->me($request),
            $review,
            isset($given['publications']) ? array_values($given['publications']) : null,
        );

        return back()->with(
            'notice',
            'The locker is being asked. Go on with something else; what comes is put to its publication.',
        );
    }

    /** @return array<string, string> what the list is narrowed down to */
    private function kept(Request $request): array
    {
        return array_filter([
            'state' => Input::text($request, 'state'),
            'only' => Input::text($request, 'only'),
            'words' => mb_substr(Input::text($request, 'words'), 0, 200),
            'reason' => mb_substr(Input::text($request, 'reason'), 0, 300),
        ]);
    }
}
