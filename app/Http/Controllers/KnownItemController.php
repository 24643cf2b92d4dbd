<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Searches\KeepKnownItems;
use App\Models\KnownItem;
use App\Models\Review;
use App\Models\Strategy;
use App\Queries\KnownItemLook;
use App\Sources\SourceFailed;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class KnownItemController extends Controller
{
    private const PER_PAGE = 15;

    public function show(Request $request, Review $review, Strategy $strategy, KnownItemLook $look, KeepKnownItems $keep, Sources $sources): View
    {
        $items = $review->knownItems()->orderBy('title')->paginate(self::PER_PAGE);
        $revision = $strategy->shown();
        $lines = $revision->strategy();
        $keys = array_values(array_filter($strategy->sources, $sources->has(...)));
        $found = [];
        $failure = '';
        foreach ($items as $item) {
            foreach ($keys as $source) {
                try {
                    $found[$item->id][$source] = $at = $look->at($review, $lines, $item, $source);
                    $keep->title($item, $at['title']);
                } catch (SourceFailed $failed) {
                    $failure = $failed->getMessage();
                }
            }
        }

        return view('searches.known', ['review' => $review, 'strategy' => $strategy, 'revision' => $revision->number, 'items' => $items, 'found' => $found, 'sources' => $sources, 'keys' => $keys, 'failure' => $failure]);
    }

    public function store(Request $request, Review $review, Strategy $strategy, KeepKnownItems $keep): RedirectResponse
    {
        $given = $request->validate(['items' => ['required', 'string', 'max:500000']]);
        $kept = $keep->add($this->me($request), $review, $given['items']);

        return redirect()->route('strategies.known', [$review, $strategy])->with($kept === 0 ? 'problem' : 'notice', $kept === 0 ? 'Nothing new in this text: no DOI, no title and no RIS record that is not known already.' : number_format($kept).($kept === 1 ? ' known item' : ' known items').' added.');
    }

    public function destroy(Request $request, Review $review, Strategy $strategy, KnownItem $item, KeepKnownItems $keep): RedirectResponse
    {
        abort_unless($item->review_id === $review->id, 404);
        $keep->remove($this->me($request), $item);

        return redirect()->route('strategies.known', [$review, $strategy]);
    }
}
