<?php

declare(strict_types=1);

namespace App\Http\Controllers\Screening;

use App\Actions\Screening\PostToTalk;
use App\Actions\Screening\RecordDecision;
use App\Actions\Screening\SettledTogether;
use App\Actions\Screening\SettleItem;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Screening\VerdictRequest;
use App\Models\Criterion;
use App\Models\Item;
use App\Models\Review;
use App\Models\Stage;
use App\Queries\Screening\Desk;
use App\Queries\Screening\OpenItems;
use App\Queries\Screening\Reading\SaidOfItem;
use App\Queries\Shared\Tallies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Verdict;

final class DisagreementController extends Controller
{
    private const LACKING = [
        'ids.required' => 'Tick those that you mean.',
        'verdict.required' => 'Choose include or exclude.',
        'criterion.required' => 'An exclusion needs its reason: choose the criterion that fails.',
    ];

    public function index(Request $request, Review $review, ?Item $item = null): View
    {
        $me = $this->me($request);
        $stage = $item === null ? $this->stage($request, $review) : $review->stageOf($item);
        [$kind, $pair] = [Input::text($request, 'kind'), Input::text($request, 'pair')];
        $list = OpenItems::disagreements($stage, $me, $kind, $pair);
        $item ??= $list->isEmpty() ? null : Item::query()->where('review_id', $review->id)->whereKey($list[0]->id)->first();
        abort_if($item !== null && ! $item->state->isOpen(), 404);
        $desk = new Desk($stage, $me);

        $sides = $item === null ? [] : OpenItems::sidesOf($review, $me, [$item->id])[$item->id] ?? [];
        $party = array_filter($sides, fn (object $side): bool => $side->user_id === $me->id) !== [];

        return view('screening.disagreements', [
            ...compact('kind', 'pair', 'review', 'stage', 'list', 'item', 'sides', 'party'),
            'groups' => OpenItems::groups($stage),
            'toAgree' => OpenItems::toAgree($stage, $me),
            'mayAlone' => $stage->settled_by->alone($me->can('settle', $review), $party),
            'nameless' => $stage->names_hidden && ! $party && $item?->state === ItemState::Disagreement,
            'criteria' => $desk->criteria(),
            ...get_object_vars($item === null ? SaidOfItem::none() : SaidOfItem::of($item, $desk)),
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
        $settled = $settle->propose(
            $this->me($request),
            $item,
            $request->verdict(),
            $request->criterion(),
            $request->note(),
        );

        return $this->onwards(
            $review,
            $item,
            $settled
                ? 'Settled by agreement.'
                : 'Your proposal stands. It settles the item when the other side proposes the same.',
            $settled,
        );
    }

    public function settle(VerdictRequest $request, Review $review, Item $item, SettleItem $settle): RedirectResponse
    {
        $settle->alone($this->me($request), $item, $request->verdict(), $request->criterion(), $request->note());

        return $this->onwards(
            $review,
            $item,
            'Settled: '.($request->verdict()->value === 'include' ? 'included.' : 'excluded.'),
            true,
        );
    }

    public function rethink(
        VerdictRequest $request,
        Review $review,
        Item $item,
        RecordDecision $record,
    ): RedirectResponse {
        $decision = $record->rethink(
            $this->me($request),
            $item,
            $request->verdict(),
            $request->criterion(),
            $request->note(),
        );

        return $this->onwards(
            $review,
            $item,
            'Your mind is changed; what you said before is kept in the history.',
            $decision->item->state !== ItemState::Disagreement,
        );
    }

    /** The same for all that are chosen, or agreement with all that others propose. */
    public function together(Request $request, Review $review, SettleItem $settle): RedirectResponse
    {
        $stage = $this->stage($request, $review);
        $me = $this->me($request);
        $rules = self::ticked($request->input('verdict') === Verdict::Exclude->value, $stage);
        $given = $request->validate($rules, self::LACKING);
        $result = $given['do'] === 'agree'
            ? $settle->agree($me, array_values(OpenItems::toAgree($stage, $me)->all()))
            : $settle->together(
                $me,
                $this->chosen($stage, $given['ids']),
                Verdict::from($given['verdict']),
                $this->criterion($review, $given),
                trim($given['note'] ?? ''),
                $given['do'] === 'settle',
            );

        $asked = ['kind' => Input::text($request, 'kind'), 'pair' => Input::text($request, 'pair')];

        return redirect()
            ->route('disagreements', array_filter([$review, 'stage' => $stage->id, ...$asked]))
            ->with('notice', self::told($result));
    }

    /** @return array<string, list<string|object>> of what is done to all that are ticked, or to all proposals of others */
    private static function ticked(bool $excludes, Stage $stage): array
    {
        $criteria = $stage->criteriaInUse();

        return [
            'do' => ['required', 'in:settle,propose,agree'],
            'ids' => ['exclude_if:do,agree', 'required', 'array', 'max:200'],
            'ids.*' => ['string', 'size:26'],
            'verdict' => ['exclude_if:do,agree', 'required', 'in:include,exclude'],
            'criterion' => [
                'nullable',
                Rule::in($criteria->pluck('id')->all()),
                Rule::requiredIf($excludes && $stage->requiresReason($criteria->isNotEmpty())),
            ],
            'note' => ['nullable', 'string', 'max:4000'],
        ];
    }

    /**
     * @param  list<string>  $ids
     * @return list<Item>
     */
    private function chosen(Stage $stage, array $ids): array
    {
        $items = Item::query()
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->whereIn('id', $ids)
            ->orderBy('position');

        return array_values($items->get()->all());
    }

    /** @param  array<string, mixed>  $given */
    private function criterion(Review $review, array $given): ?Criterion
    {
        return $given['verdict'] === 'exclude' && isset($given['criterion'])
            ? $review->criteria()->where('id', $given['criterion'])->first()
            : null;
    }

    private static function told(SettledTogether $result): string
    {
        $words = array_filter([
            $result->settled > 0 ? number_format($result->settled).' settled' : '',
            $result->proposed > 0 ? number_format($result->proposed).' proposed to the other side' : '',
            $result->refused !== [] ? count($result->refused).' left as they are: '.$result->refused[0] : '',
        ]);

        return ucfirst(implode('; ', $words)) ?: 'Nothing was left to agree to.';
    }

    private function onwards(Review $review, Item $item, string $notice, bool $settled): RedirectResponse
    {
        $next = $settled
            ? Item::query()
                ->where('review_id', $review->id)
                ->where('stage_id', $item->stage_id)
                ->where('state', ItemState::Disagreement)
                ->where('position', '>', $item->position)
                ->orderBy('position')
                ->first()
            : $item;

        return redirect()
            ->route($next === null ? 'disagreements' : 'disagreements.show', array_filter([$review, $next]))
            ->with('notice', $notice);
    }

    /** Without one named, the first with a disagreement. */
    protected function stage(Request $request, Review $review): Stage
    {
        $tallies = Tallies::ofStages($review);

        return Input::text($request, 'stage') !== ''
            ? parent::stage($request, $review)
            : $review->stages->first(fn (Stage $stage): bool => $tallies[$stage->id]->in(ItemState::Disagreement) > 0) ??
                    $review->firstStage();
    }
}
