<?php

declare(strict_types=1);

namespace App\Http\Controllers\Scouting;

use App\Actions\Drafting\StartDraft;
use App\Actions\Scouting\AskPlainly;
use App\Http\Controllers\Controller;
use App\Http\Requests\Scouting\ScoutingRequest;
use App\Models\Review;
use App\Models\Scouting;
use App\Queries\Scouting\FoundPapers;
use App\Queries\Scouting\Outlets;
use App\Queries\Scouting\ReviewFamilies;
use App\Queries\Scouting\SharperQuestions;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Scouting\Asked\QuestionStrategy;
use WaryHeron\Core\Scouting\Scout;

/** Questions in plain words, and the papers that answer them. */
final class ScoutingController extends Controller
{
    private const LISTED = 50;

    private const QUESTION = [
        'question' => ['required', 'string', 'min:5', 'max:500'],
        'sources' => ['nullable', 'array', 'max:10'],
        'sources.*' => ['string', 'max:40'],
        'draft' => ['nullable', 'boolean'],
    ];

    public function index(Review $review, Sources $sources): View
    {
        return view('scouting.index', [
            'review' => $review,
            'sources' => $sources->names(),
            'asked' => Scouting::query()
                ->where('review_id', $review->id)
                ->with('asker')
                ->withCount(
                    ['papers' => fn ($papers) => $papers->where('sentence', '<>', '')->whereNull('thrown_out_at')],
                )
                ->orderByDesc('id')
                ->limit(self::LISTED)
                ->get(),
            'drafts' => $review->drafts()->pluck('id', 'scouting_id')->all(),
        ]);
    }

    /** Asks, and has a review drafted from what comes where that is wanted. */
    public function ask(Request $request, Review $review, AskPlainly $ask, StartDraft $draft): RedirectResponse
    {
        $given = $request->validate(self::QUESTION);
        $question = trim((string) preg_replace('/\s+/u', ' ', mb_scrub($given['question'])));
        $scouting = $ask->ask($this->me($request), $review, $question, $given['sources'] ?? []);

        if (! ($given['draft'] ?? false)) {
            return redirect()->route('scouting.show', [$review, $scouting]);
        }
        $made = $draft->execute($this->me($request), $scouting, StartDraft::DEPTH, StartDraft::DEPTH_IN_FULL);

        return redirect()->route('drafts.show', [$review, $made]);
    }

    public function show(ScoutingRequest $request, Review $review, Scouting $scouting, Sources $sources): View
    {
        $terms = $request->terms($scouting);
        $papers = new FoundPapers($scouting, $terms);
        $question = (new Scout(ReviewFamilies::of($review, $scouting->question)))->question($scouting->question);

        return view('scouting.show', [
            'review' => $review,
            'scouting' => $scouting,
            'question' => $question,
            'concepts' => QuestionStrategy::concepts($question),
            'terms' => $terms,
            'papers' => $papers,
            'groups' => $papers->groups(),
            'bySaying' => $papers->wantedBySaying(),
            'others' => $papers->others(),
            'against' => $papers->against(),
            'further' => $scouting->furtherQuestions()->get(),
            'codes' => $review->codes()->whereNull('retired_at')->get(),
            'isUnderWay' => AskPlainly::isUnderWay($scouting),
            'sources' => $sources,
            ...get_object_vars(Outlets::of($review, $scouting)),
        ]);
    }

    /** How it could be asked more sharply, as a part of the page: the databases are asked for counts. */
    public function sharper(
        ScoutingRequest $request,
        Review $review,
        Scouting $scouting,
        SharperQuestions $sharper,
        Sources $sources,
    ): JsonResponse {
        $papers = new FoundPapers($scouting, $request->terms($scouting));

        return response()->json([
            'html' => view('scouting.sharper', [
                'review' => $review,
                'scouting' => $scouting,
                'sources' => $sources,
                'offers' => $sharper->of($review, $papers, $scouting->question, $scouting->sources),
            ])->render(),
        ]);
    }

    /** Asked again, for what is new or with more candidates. */
    public function again(Request $request, Review $review, Scouting $scouting, AskPlainly $ask): RedirectResponse
    {
        $isDeeper = $request->validate(['deeper' => ['nullable', 'boolean']])['deeper'] ?? false;
        $ask->again($this->me($request), $scouting, (bool) $isDeeper);

        return redirect()->route('scouting.show', [$review, $scouting]);
    }
}
