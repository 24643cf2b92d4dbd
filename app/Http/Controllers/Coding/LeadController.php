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
use App\Queries\Coding\CodingDesk;
use App\Queries\Coding\EvidenceView;
use App\Queries\Coding\StudyCoding;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Coding\Lead\LeadPass;

/** Proposed answers: having papers read for them, and ruling on them. */
final class LeadController extends Controller
{
    public function start(Request $request, Review $review, StartLeads $start): RedirectResponse
    {
        $item = Input::text($request, 'item');
        $code = $item === '' ? null : $review->codes()->whereNull('retired_at')->findOrFail($item);
        $pass = LeadPass::tryFrom(Input::text($request, 'pass')) ?? LeadPass::Deep;
        $task = $start->execute($this->me($request), $review, $code, $pass);

        return redirect()->route('coding', $review)->with(
            'notice',
            "{$task->title}. What is found waits beside the items.",
        );
    }

    public function rule(
        Request $request,
        Review $review,
        Publication $publication,
        CodebookItem $code,
        RuleOnLead $rule,
    ): JsonResponse {
        // the two belong to the review, not to each other, so the route cannot check it
        abort_unless($publication->review_id === $review->id && $code->review_id === $review->id, 404);
        $given = $request->validate(['do' => ['required', 'in:accept,reject']]);
        $me = $this->me($request);
        $answer = null;
        $given['do'] === 'accept'
            ? $answer = $rule->accept($me, $publication, $code)
            : $rule->reject($me, $publication, $code);

        return response()->json([
            ...CodingDesk::answer($answer, $code->code(), EvidenceView::of($review, $publication)),
            'standings' => StudyCoding::of($review, $publication, $me)->standings(),
        ]);
    }
}
