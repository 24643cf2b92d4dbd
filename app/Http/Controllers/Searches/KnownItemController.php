<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\KeepKnownItems;
use App\Http\Controllers\Controller;
use App\Models\KnownItem;
use App\Models\Review;
use App\Models\Strategy;
use App\Queries\Searches\KnownItemLook;
use App\Queries\Searches\LostItemOffers;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class KnownItemController extends Controller
{
    private const PER_PAGE = 15;

    public function show(
        Request $request,
        Review $review,
        Strategy $strategy,
        KnownItemLook $look,
        KeepKnownItems $keep,
        Sources $sources,
    ): View {
        $items = $review->knownItems()->orderBy('title')->paginate(self::PER_PAGE);
        $revision = $strategy->shown();
        $lines = $revision->strategy();
        $keys = array_values(array_filter($strategy->sources, $sources->has(...)));
        $found = [];
        $failure = '';
        foreach ($keys as $source) {
            try {
                $found[$source] = $look->all($review, $lines, $items, $source);
                $this->nameThoseGivenByDoi($review, $items, $found[$source], $source, $look, $keep);
            } catch (SourceFailed $failed) {
                $failure = $failed->getMessage();
            }
        }

        return view('searches.known', [
            'review' => $review,
            'strategy' => $strategy,
            'revision' => $revision->number,
            'items' => $items,
            'found' => $found,
            'sources' => $sources,
            'keys' => $keys,
            'failure' => $failure,
        ]);
    }

    /** What would have caught an item that concepts lose, as a part of the page. */
    public function offers(
        Review $review,
        Strategy $strategy,
        KnownItem $item,
        string $source,
        KnownItemLook $look,
        LostItemOffers $offers,
        Sources $sources,
    ): JsonResponse {
        abort_unless($item->review_id === $review->id && $sources->has($source), 404);
        $lines = $strategy->shown()->strategy();
        $failure = '';
        try {
            $lost = $look->all($review, $lines, [$item], $source)[$item->id]['lost'];
            $found = $offers->of($review, $lines, $item, $source, array_column($lost, 'id'));
        } catch (SourceFailed $failed) {
            [$lost, $found, $failure] = [[], [], $failed->getMessage()];
        }

        return response()->json([
            'html' => view('searches.known-offers', [
                'review' => $review,
                'lost' => $lost,
                'offers' => $found,
                'failure' => $failure,
            ])->render(),
        ]);
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
        KnownItemLook $look,
        KeepKnownItems $keep,
    ): void {
        foreach ($items as $item) {
            if ($item->title === $item->doi && $standings[$item->id]['indexed']) {
                $keep->title($item, $look->record($review, $item, $source)->title ?? '');
            }
        }
    }

    public function store(Request $request, Review $review, Strategy $strategy, KeepKnownItems $keep): RedirectResponse
    {
        $given = $request->validate(['items' => ['required', 'string', 'max:500000']]);
        $kept = $keep->add($this->me($request), $review, $given['items']);

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
