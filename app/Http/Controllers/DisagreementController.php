<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Screening\PostToTalk;
use App\Actions\Screening\SettleItem;
use App\Http\Requests\VerdictRequest;
use App\Models\Item;
use App\Models\Review;
use App\Models\Settlement;
use App\Models\Stage;
use App\Queries\Desk;
use App\Queries\OpenItems;
use App\Queries\Tallies;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Screening\ItemState;

final class DisagreementController extends Controller
{
    public function index(Request $request, Review $review, ?Item $item = null): View
    {
        $me = $this->me($request);
        $stage = $item === null ? $this->stage($request, $review) : $review->stages->firstOrFail('id', $item->stage_id);
        $list = OpenItems::disagreements($stage, $me);
        $item ??= $list->isEmpty() ? null : Item::query()->where('review_id', $review->id)->where('id', $list[0]->id)->first();
        abort_if($item !== null && ! $item->state->isOpen(), 404);
        $desk = new Desk($stage, $me);

        return view('screening.disagreements', [
            'review' => $review, 'stage' => $stage, 'list' => $list, 'item' => $item, 'shown' => $item === null ? null : $desk->item($item->id), 'criteria' => $desk->criteria(),
            'sides' => $item === null ? [] : OpenItems::sidesOf($review, $me, [$item->id])[$item->id] ?? [],
            'talk' => $item === null ? [] : OpenItems::talk($item), 'proposals' => $item === null ? [] : OpenItems::proposals($item),
            'settlement' => $item === null ? null : Settlement::query()->where('review_id', $review->id)->where('item_id', $item->id)->whereNull('superseded_at')->with('user', 'criterion')->first(),
        ]);
    }

    public function talk(Request $request, Review $review, Item $item, PostToTalk $post): RedirectResponse
    {
        $given = $request->validate(['body' => ['required', 'string', 'max:4000']], attributes: ['body' => 'message']);
        $post->execute($this->me($request), $item, $given['body']);

        return redirect()->to(route('disagreements.show', [$review, $item]).'#talk');
    }

    public function propose(VerdictRequest $request, Review $review, Item $item, SettleItem $settle): RedirectResponse
    {
        $settled = $settle->propose($this->me($request), $item, $request->verdict(), $request->criterion(), $request->note());

        return $this->onwards($review, $item, $settled ? 'Settled by agreement.' : 'Your proposal stands. It settles the item when the other side proposes the same.', $settled);
    }

    public function settle(VerdictRequest $request, Review $review, Item $item, SettleItem $settle): RedirectResponse
    {
        $settle->alone($this->me($request), $item, $request->verdict(), $request->criterion(), $request->note());

        return $this->onwards($review, $item, 'Settled: '.($request->verdict()->value === 'include' ? 'included.' : 'excluded.'), true);
    }

    private function onwards(Review $review, Item $item, string $notice, bool $settled): RedirectResponse
    {
        $next = $settled ? Item::query()->where('review_id', $review->id)->where('stage_id', $item->stage_id)->where('state', ItemState::Disagreement)->where('position', '>', $item->position)->orderBy('position')->first() : $item;

        return redirect()->route($next === null ? 'disagreements' : 'disagreements.show', array_filter([$review, $next]))->with('notice', $notice);
    }

    /** Without one named, the first with a disagreement. */
    protected function stage(Request $request, Review $review): Stage
    {
        $tallies = Tallies::ofStages($review);

        return Input::text($request, 'stage') !== '' ? parent::stage($request, $review)
            : $review->stages->first(fn (Stage $stage): bool => $tallies[$stage->id]->in(ItemState::Disagreement) > 0) ?? $review->firstStage();
    }
}
