<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\LoadScheme;
use App\Actions\Searches\RuleOnHeading;
use App\Files\In\FileName;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Searches\HeadingRulingRequest;
use App\Models\Review;
use App\Models\Scheme;
use App\Queries\Searches\Heading\HeadingPage;
use App\Queries\Searches\Heading\NarrowerHeading;
use App\Queries\Searches\HeadingFinder;
use App\Queries\Searches\Headings;
use App\Queries\Searches\Suggestions;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Vocabulary\SkosReader;

final class ThesaurusController extends Controller
{
    public function index(Request $request, Review $review): View
    {
        $schemes = Headings::schemes($review);
        $scheme = $schemes->firstWhere('id', Input::text($request, 'scheme')) ?? $schemes->first();

        return view('searches.thesauri', [
            'review' => $review,
            'schemes' => $schemes,
            'scheme' => $scheme,
            'heading' => mb_substr(Input::text($request, 'heading'), 0, 200),
            'tops' => $scheme === null
                    ? []
                    : array_map(
                        fn (\stdClass $row): NarrowerHeading => new NarrowerHeading($row->label, $row->has_narrower),
                        (new Headings($scheme, $review))->tops(),
                    ),
        ]);
    }

    public function find(Request $request, Review $review, HeadingFinder $finder): JsonResponse
    {
        $given = $request->validate(['scheme' => ['required', 'string'], 'words' => ['required', 'string', 'max:200']]);

        return response()->json($finder->find($review, $this->headings($review, $given['scheme']), $given['words']));
    }

    public function suggest(Request $request, Review $review, Suggestions $suggestions, Sources $sources): JsonResponse
    {
        $given = $request->validate([
            'words' => ['required', 'string', 'max:200'],
            'sources' => ['array', 'max:20'],
            'sources.*' => ['string'],
        ]);

        return response()->json(
            $suggestions->of(
                $review,
                $given['words'],
                array_values(array_filter($given['sources'] ?? [], $sources->has(...))),
            ),
        );
    }

    /** One heading with everything around it. */
    public function heading(Request $request, Review $review, HeadingFinder $finder): JsonResponse
    {
        $given = $request->validate(['scheme' => ['required', 'string'], 'label' => ['required', 'string', 'max:200']]);
        $headings = $this->headings($review, $given['scheme']);
        $concept = $headings->labelled($given['label']) ?? abort(404, 'This thesaurus has no such heading.');
        $children = $headings->children($concept->label);
        $labels = [$concept->label, ...array_column($children, 'label')];
        $counts = $finder->headingCounts($review, $headings->scheme->source, $labels);

        return response()->json(HeadingPage::of($concept, $headings, $children, $counts));
    }

    public function store(Request $request, Review $review, LoadScheme $load): RedirectResponse
    {
        $given = $request->validate([
            'title' => ['nullable', 'string', 'max:120'],
            'file' => ['required', 'file', 'max:'.intdiv(SkosReader::LARGEST, 1024)],
        ]);
        $load->later(
            $this->me($request),
            $review,
            trim((string) ($given['title'] ?? '')),
            $given['file']->getRealPath(),
            FileName::of($given['file']->getClientOriginalName()),
        );

        return redirect()
            ->route('thesauri', $review)
            ->with('notice', 'The thesaurus is being read. It is told above when it is here.');
    }

    /** A person says whether a heading there stands for one here. */
    public function rule(HeadingRulingRequest $request, Review $review, RuleOnHeading $rule): RedirectResponse
    {
        $headings = $this->headings($review, $request->scheme());
        abort_unless($headings->has($request->standsFor()), 422, 'This thesaurus has no such heading.');
        $label = (string) $headings->labelled($request->standsFor())?->label;
        [$me, $called] = [$this->me($request), "“{$request->label()}”"];
        $isSo = $request->isSo();
        if ($isSo === null) {
            $rule->forget($me, $review, $request->label(), $headings->scheme, $label);

            return back()->with('notice', "Whether {$called} is “{$label}” in {$headings->scheme->title} is open again.");
        }
        $rule->execute($me, $review, $request->label(), $headings->scheme, $label, $isSo);

        return back()->with('notice', $isSo
            ? "{$called} is “{$request->standsFor()}” in {$headings->scheme->title} from now on."
            : "“{$request->standsFor()}” is no longer offered for {$called}.");
    }

    private function headings(Review $review, string $scheme): Headings
    {
        $found = Scheme::query()
            ->whereKey(mb_strtolower($scheme))
            ->where(fn ($query) => $query->whereNull('review_id')->orWhere('review_id', $review->id))
            ->first();

        return new Headings($found ?? abort(404), $review);
    }
}
