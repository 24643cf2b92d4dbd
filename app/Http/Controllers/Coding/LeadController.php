<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\RuleOnLead;
use App\Actions\Coding\StartLeads;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\CodebookItem;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\Desk\ShownAnswer;
use App\Queries\Coding\EvidenceView;
use App\Queries\Coding\StudyCoding;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Coding\Lead\LeadPass;

/** Proposed answers: having papers read for them, and ruling on them. */
final class LeadController extends Controller
{
    use FindsSlot;

    public function start(Request $request, Review $review, StartLeads $start): RedirectResponse
    {
        [$item, $paper] = [Input::text($request, 'item'), Input::text($request, 'study')];
        $code = $item === '' ? null : $review->codes()->whereNull('retired_at')->findOrFail($item);
        $study = $paper === '' ? null : $review->publications()->findOrFail($paper);
        $pass = LeadPass::tryFrom(Input::text($request, 'pass')) ?? LeadPass::Deep;
        $task = $start->execute($this->me($request), $review, $code, $pass, $study);
        $to = $study === null
            ? redirect()->route('coding', $review)
            : redirect()->route('coding.show', [$review, $study]);

        return $to->with('notice', "{$task->title}. What is found waits beside the items.");
    }

    public function rule(
        Request $request,
        Review $review,
        Publication $publication,
        CodebookItem $code,
        RuleOnLead $rule,
    ): JsonResponse {
        $slot = $this->slot($request, $review, $publication, $code);
        $given = $request->validate(['do' => ['required', 'in:accept,reject']]);
        $me = $this->me($request);
        $answer = null;
        $given['do'] === 'accept'
            ? $answer = $rule->accept($me, $slot)
            : $rule->reject($me, $slot);

        return response()->json([
            ...get_object_vars(ShownAnswer::of($answer, $code->code(), EvidenceView::of($review, $publication))),
            'standings' => StudyCoding::of($review, $publication, $me)->standings(),
        ]);
    }
}
