<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\KeepKnownItems;
use App\Http\Controllers\Controller;
use App\Models\KnownItem;
use App\Models\Review;
use App\Models\Strategy;
use App\Queries\Searches\KnownItemLook;
use App\Queries\Searches\KnownItemsFound;
use App\Queries\Searches\LostItemOffers;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Pagination\LengthAwarePaginator;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;

final class KnownItemController extends Controller
{
    private const PER_PAGE = 15;

    public function __construct(
        private readonly KnownItemLook $look,
        private readonly KeepKnownItems $keep,
        private readonly Sources $sources,
    ) {
    }

    public function show(Review $review, Strategy $strategy): View
    {
        $items = $review->knownItems()->orderBy('title')->paginate(self::PER_PAGE);
        $revision = $strategy->shown();
        $lines = $revision->strategy();
        $keys = array_values(array_filter($strategy->sources, $this->sources->has(...)));
        $found = $this->found($review, $lines, $items, $keys);

        return view('searches.known', [
            'review' => $review,
            'strategy' => $strategy,
            'revision' => $revision->number,
            'items' => $items,
            'found' => $found->bySource,
            'sources' => $this->sources,
            'keys' => $keys,
            'failure' => $found->failure,
        ]);
    }

    /**
     * @param  LengthAwarePaginator<int, KnownItem>  $items
     * @param  list<string>  $keys  of databases
     */
    private function found(Review $review, Lines $lines, LengthAwarePaginator $items, array $keys): KnownItemsFound
    {
        $found = [];
        $failure = '';
        foreach ($keys as $source) {
            try {
                $found[$source] = $this->look->all($review, $lines, $items, $source);
                $this->nameThoseGivenByDoi($review, $items, $found[$source], $source);
            } catch (SourceFailed $failed) {
                $failure = $failed->getMessage();
            }
        }

        return new KnownItemsFound($found, $failure);
    }

    /** What would have caught an item that concepts lose, as a part of the page. */
    public function offers(
        Review $review,
        Strategy $strategy,
        KnownItem $item,
        string $source,
        LostItemOffers $offers,
    ): JsonResponse {
        abort_unless($item->review_id === $review->id && $this->sources->has($source), 404);
        $lines = $strategy->shown()->strategy();
        $failure = '';
        $lost = $found = [];
        try {
            $lost = $this->look->all($review, $lines, [$item], $source)[$item->id]['lost'];
            $found = $offers->of($review, $lines, $item, $source, array_column($lost, 'id'));
        } catch (SourceFailed $failed) {
            [$lost, $failure] = [[], $failed->getMessage()];
        }
        $page = view('searches.known-offers', compact('review', 'lost', 'failure') + ['offers' => $found]);

        return response()->json(['html' => $page->render()]);
    }

    /**
     * @param  iterable<KnownItem>  $items
     * @param  array<string, array{indexed: bool}>  $standings
     */
    private function nameThoseGivenByDoi(
        Review $review,
        iterable $items,
        array $standings,
        string $source,
    ): void {
        foreach ($items as $item) {
            if ($item->title === $item->doi && $standings[$item->id]['indexed']) {
                $this->keep->title($item, $this->look->record($review, $item, $source)->title ?? '');
            }
        }
    }

    public function store(Request $request, Review $review, Strategy $strategy): RedirectResponse
    {
        $given = $request->validate(['items' => ['required', 'string', 'max:500000']]);
        $kept = $this->keep->add($this->me($request), $review, $given['items']);

        return redirect()
            ->route('strategies.known', [$review, $strategy])
            ->with(
                $kept === 0 ? 'problem' : 'notice',
                $kept === 0
                    ? 'Nothing new in this text: no DOI, no title and no RIS record that is not known already.'
                    : number_format($kept).($kept === 1 ? ' known item' : ' known items').' added.',
            );
    }

    public function destroy(
        Request $request,
        Review $review,
        Strategy $strategy,
        KnownItem $item,
        KeepKnownItems $keep,
    ): RedirectResponse {
        abort_unless($item->review_id === $review->id, 404);
        $keep->remove($this->me($request), $item);

        return redirect()->route('strategies.known', [$review, $strategy]);
    }
}
