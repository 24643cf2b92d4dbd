<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\SettleAnswer;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Coding\SettledAnswerRequest;
use App\Models\CodebookItem;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\Reconcile\Reconciling;
use App\Queries\Synthesis\CodedTwice;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
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
        SettledAnswerRequest $request,
        Review $review,
        Publication $publication,
        CodebookItem $code,
        SettleAnswer $settle,
    ): RedirectResponse {
        $slot = $this->slot($request, $review, $publication, $code);
        $here = redirect()->route('reconcile', [$review, 'at' => $request->place()]);
        $taken = $request->taken();
        try {
            $answer = $taken === null
                ? $settle->otherwise($this->me($request), $slot, $request->kind(), $request->value())
                : $settle->take($this->me($request), $slot, $taken);
        } catch (InvalidAnswer $invalid) {
            return $here->with('problem', $invalid->getMessage());
        }

        return $here->with('notice', "“{$code->label}” counts as {$answer->shown($code->code())}.");
    }
}
