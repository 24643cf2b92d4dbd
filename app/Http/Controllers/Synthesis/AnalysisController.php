<?php

declare(strict_types=1);

namespace App\Http\Controllers\Synthesis;

use App\Actions\Shared\Refused;
use App\Actions\Synthesis\KeepAnalysis;
use App\Files\Out\SvgPicture;
use App\Files\Out\TableDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Comparison;
use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Models\ReviewOutcome;
use App\Queries\Synthesis\AnalysisRows;
use App\Queries\Synthesis\ForestPlot;
use App\Queries\Synthesis\OutcomeBook;
use App\Queries\Synthesis\PooledAnalysis;
use App\Queries\Synthesis\PooledRow;
use App\Queries\Synthesis\RegressionOf;
use App\Queries\Synthesis\Soundness;
use App\Queries\Synthesis\Traced\Trace;
use App\Queries\Synthesis\Traced\TraceNotes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Synthesis\Choice\AnalysisTerms;
use WaryHeron\Core\Synthesis\Choice\TimeWindow;

/** Analyses: results pooled by a definition that is kept and run again. */
final class AnalysisController extends Controller
{
    public function index(Review $review): View
    {
        $analyses = KeptAnalysis::of($review)->get();

        return view('synthesis.analyses', [
            'review' => $review,
            'book' => OutcomeBook::of($review),
            'analyses' => $analyses->map(fn (KeptAnalysis $one): array => [
                'kept' => $one,
                'pooled' => $this->run($review, $one->asked()),
            ]),
        ]);
    }

    public function store(Request $request, Review $review, KeepAnalysis $keep): RedirectResponse
    {
        $outcome = ReviewOutcome::query()->where('review_id', $review->id)->whereNull('retired_at')->findOrFail(Input::text($request, 'outcome'));
        $comparison = Comparison::query()->where('review_id', $review->id)->find(Input::text($request, 'comparison'));
        if ($outcome->kind->isOfTwo() && $comparison === null) {
            throw new Refused('Say which groups are compared.');
        }
        $terms = AnalysisTerms::fromArray([
            'outcome' => $outcome->id,
            'comparison' => $outcome->kind->isOfTwo() ? $comparison?->id : '',
            'measure' => $outcome->kind->measures()[0]->value,
        ]);
        $title = Input::text($request, 'title') ?: $outcome->name;
        $analysis = $keep->begin($this->me($request), $review, mb_substr($title, 0, 200), $terms);

        return redirect()->route('analyses.show', [$review, $analysis]);
    }

    /** As it is kept, or with terms that are being tried. */
    public function show(Request $request, Review $review, KeptAnalysis $analysis): View
    {
        $terms = $this->terms($request, $analysis);
        $pooled = $this->run($review, $terms) ?? abort(404);
        $comparison = $this->comparison($review, $terms);
        $codes = $review->codes()->whereNull('retired_at')->get();
        $asked = Input::text($request, 'study');
        $at = array_values(array_filter($pooled->rows, fn (PooledRow $one): bool => in_array($asked, [$one->key, $one->publication], true)))[0] ?? null;

        return view('synthesis.analysis', [
            'review' => $review,
            'analysis' => $analysis,
            'terms' => $terms,
            'isTried' => $terms->toArray() != $analysis->asked()->toArray(),
            'pooled' => $pooled,
            'comparison' => $comparison,
            'codes' => $codes,
            'scales' => Soundness::scales($review),
            'plot' => new ForestPlot($pooled, $comparison, $codes->firstWhere('id', $terms->marks)),
            'regression' => RegressionOf::of($pooled, $codes),
            'at' => $at,
            'trace' => $at === null ? null : new Trace($review, $at),
            'notes' => TraceNotes::of($review, $pooled),
        ]);
    }

    public function update(Request $request, Review $review, KeptAnalysis $analysis, KeepAnalysis $keep): RedirectResponse
    {
        $title = mb_substr(Input::text($request, 'title') ?: $analysis->title, 0, 200);
        $keep->change($this->me($request), $review, $analysis, $title, $this->terms($request, $analysis));

        return redirect()->route('analyses.show', [$review, $analysis])->with('notice', 'The analysis is kept as it is shown.');
    }

    public function retire(Request $request, Review $review, KeptAnalysis $analysis, KeepAnalysis $keep): RedirectResponse
    {
        $keep->retire($this->me($request), $review, $analysis);

        return redirect()->route('analyses', $review)->with('notice', 'The analysis is retired.');
    }

    /** A picture of it, or its data. */
    public function download(Request $request, Review $review, KeptAnalysis $analysis, string $picture, string $format): Response
    {
        $terms = $this->terms($request, $analysis);
        $pooled = $this->run($review, $terms) ?? abort(404);
        if ($format === 'csv' || $format === 'xlsx') {
            return TableDownload::make($analysis->title, $format, AnalysisRows::of($pooled));
        }
        $plot = new ForestPlot($pooled, $this->comparison($review, $terms), $review->codes()->find($terms->marks));
        $svg = match ($picture) {
            'funnel' => $plot->funnel()->svg($analysis->title),
            'regression' => RegressionOf::of($pooled, $review->codes()->get())?->plot()?->svg($analysis->title) ?? abort(404),
            default => $plot->forest()->svg($analysis->title),
        };
        $name = Str::limit(Str::slug($analysis->title), 40, '')."-{$picture}.{$format}";

        return SvgPicture::download($svg, $name, $format);
    }

    private function terms(Request $request, KeptAnalysis $analysis): AnalysisTerms
    {
        if (! $request->boolean('tried')) {
            return $analysis->asked();
        }

        $window = $this->window($request, $analysis);

        // outcome and comparison are what the analysis is of
        return AnalysisTerms::fromArray([
            ...$request->all(),
            ...$window === null ? [] : ['from' => $window->from, 'to' => $window->to],
            ...array_intersect_key($analysis->terms, ['outcome' => 1, 'comparison' => 1]),
        ]);
    }

    /**
     * A window of time that was chosen by its name says from when to when; days typed beside the one that stood there
     * are what is meant.
     */
    private function window(Request $request, KeptAnalysis $analysis): ?TimeWindow
    {
        $outcome = ReviewOutcome::query()
            ->where('review_id', $analysis->review_id)
            ->find($analysis->asked()->outcome);
        $chosen = Input::text($request, 'window');

        return $chosen === Input::text($request, 'window_was') || ! ctype_digit($chosen)
            ? null
            : $outcome?->timeWindows()[(int) $chosen] ?? null;
    }

    private function run(Review $review, AnalysisTerms $terms): ?PooledAnalysis
    {
        $outcome = ReviewOutcome::query()->where('review_id', $review->id)->find($terms->outcome);

        return $outcome === null ? null : PooledAnalysis::of($review, $terms, $outcome);
    }

    private function comparison(Review $review, AnalysisTerms $terms): ?Comparison
    {
        return Comparison::query()
            ->where('review_id', $review->id)
            ->with(['intervention', 'comparator'])
            ->find($terms->comparison);
    }
}
