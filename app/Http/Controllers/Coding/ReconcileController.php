<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\SettleAnswer;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\CodebookItem;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\Reconcile\Reconciling;
use App\Queries\Synthesis\CodedTwice;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\InvalidAnswer;

/** Where two coders differ. */
final class ReconcileController extends Controller
{
    use FindsSlot;

    public function index(Request $request, Review $review): View
    {
        $reconciling = Reconciling::in($review);
        $open = $reconciling->open();
        $at = Input::whole($request, 'at', 1, max(1, count($open))) - 1;

        return view('coding.reconcile', [
            'review' => $review,
            'open' => $open,
            'at' => $at,
            'one' => $open[$at] ?? null,
            'part' => isset($open[$at]) ? $reconciling->partName($open[$at]) : '',
            'agreement' => $reconciling->agreement(),
            'weeks' => $reconciling->byWeek(),
            'results' => $review->coded_by === 1 ? 0 : count(CodedTwice::in($review)->open()),
        ]);
    }

    public function settle(
        Request $request,
        Review $review,
        Publication $publication,
        CodebookItem $code,
        SettleAnswer $settle,
    ): RedirectResponse {
        $slot = $this->slot($request, $review, $publication, $code);
        $given = $this->given($request);
        $here = redirect()->route('reconcile', [$review, 'at' => $given['at'] ?? 1]);
        try {
            $answer = isset($given['take'])
                ? $settle->take($this->me($request), $slot, $given['take'])
                : $settle->otherwise(
                    $this->me($request),
                    $slot,
                    AnswerKind::from($given['kind'] ?? AnswerKind::Value->value),
                    $given['value'] ?? null,
                );
        } catch (InvalidAnswer $invalid) {
            return $here->with('problem', $invalid->getMessage());
        }

        return $here->with('notice', "“{$code->label}” counts as {$answer->shown($code->code())}.");
    }

    /** @return array<string, mixed> an answer to take, or another one */
    private function given(Request $request): array
    {
        return $request->validate([
            'take' => ['nullable', 'string', 'max:26'],
            'kind' => ['nullable', Rule::enum(AnswerKind::class)],
            'value' => ['nullable'],
            'value.*' => ['string', 'max:400'],
            'at' => ['nullable', 'integer', 'between:1,100000'],
        ]);
    }
}
