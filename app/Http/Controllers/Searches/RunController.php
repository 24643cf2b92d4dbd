<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Searches\RunStrategy;
use App\Actions\Shared\Refused;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Models\Run;
use App\Models\Strategy;
use App\Sources\FullTextLocker;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

final class RunController extends Controller
{
    public function __construct(private readonly Sources $sources)
    {
    }

    public function index(Review $review, Strategy $strategy): View
    {
        return view('searches.runs', [
            'review' => $review,
            'strategy' => $strategy,
            'sources' => $this->sources,
            'runs' => $strategy->runs()->with('runner', 'deliveries')->orderByDesc('ran_at')->get(),
            'fetchedBefore' => $review
                ->deliveries()
                ->whereNotNull('source_key')
                ->where('kept', '>', 0)
                ->distinct()
                ->pluck('source_key')
                ->all(),
        ]);
    }

    public function store(
        Request $request,
        Review $review,
        Strategy $strategy,
        RunStrategy $run,
        StartDelivery $start,
    ): RedirectResponse {
        $given = $request->validate([
            'sources' => ['required', 'array'],
            'sources.*' => ['in:'.implode(',', $strategy->sources)],
            'fetch' => ['in:nothing,all,new'],
        ]);
        $me = $this->me($request);
        $fetch = $me->can('deliver', $review) ? $given['fetch'] ?? 'nothing' : 'nothing';
        $problems = [];
        foreach (array_unique($given['sources']) as $source) {
            try {
                $made = $run->execute($me, $strategy, $source);
                $fetch === 'nothing' || $made->total === 0 || $start->ofRun($me, $made, $fetch === 'new');
            } catch (SourceFailed|Refused $failure) {
                $problems[] = self::problem($failure, $review, $strategy);
            }
        }

        return redirect()->route('strategies.runs', [$review, $strategy])->with('problems', $problems);
    }

    /** @return array<string, string> text, and the url and words of a link */
    private static function problem(SourceFailed|Refused $failure, Review $review, Strategy $strategy): array
    {
        return [
            'text' => $failure->getMessage(),
            'url' => route('strategies.show', [$review, $strategy]),
            'link' => 'To the board',
        ];
    }

    public function show(Review $review, Run $run): View
    {
        return view('searches.run', ['review' => $review, 'run' => $run->load('runner', 'strategy', 'deliveries')]);
    }

    public function fetch(Request $request, Review $review, Run $run, StartDelivery $start): RedirectResponse
    {
        if ($run->total === 0) {
            return back()->with('problem', 'This run found no records, so there is nothing to fetch.');
        }

        return redirect()->route('deliveries.show', [
            $review,
            $start->ofRun($this->me($request), $run, $request->boolean('new')),
        ]);
    }

    /** The records of one line in one database, a page at a time; nothing is fetched into the review. */
    /** The copy that the locker has of a DOI; what comes from outside is never shown as a page of ours. */
    public function fullText(Request $request, Review $review, FullTextLocker $locker): Response|RedirectResponse
    {
        $given = $request->validate(['doi' => ['required', 'string', 'max:250', 'regex:~^10\.\d{4,9}/\S+$~']]);
        try {
            $pdf = $locker->pdf($given['doi']);
        } catch (SourceFailed $failed) {
            return back()->with('problem', $failed->getMessage());
        }

        return new Response($pdf, 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => 'attachment; filename="'.Str::slug(str_replace(['/', '.'], '-', $given['doi'])).'.pdf"',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
