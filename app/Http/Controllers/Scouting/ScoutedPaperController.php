<?php

declare(strict_types=1);

namespace App\Http\Controllers\Scouting;

use App\Actions\Scouting\AskFurther;
use App\Actions\Scouting\IntoCodebook;
use App\Actions\Scouting\ThrowOut;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Scouting\ScoutingRequest;
use App\Models\FurtherQuestion;
use App\Models\Review;
use App\Models\ScoutedPaper;
use App\Models\Scouting;
use App\Queries\Scouting\FoundPapers;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** What people do with the papers that a question brought. */
final class ScoutedPaperController extends Controller
{
    public function throwOut(
        Request $request,
        Review $review,
        Scouting $scouting,
        ScoutedPaper $paper,
        ThrowOut $throwOut,
    ): RedirectResponse {
        abort_unless($paper->review_id === $review->id && $paper->scouting_id === $scouting->id, 404);
        $isOut = (bool) $request->validate(['out' => ['required', 'boolean']])['out'];
        $throwOut->execute($this->me($request), $paper, $isOut);

        return back()->with(
            'notice',
            $isOut ? 'Thrown out. It can be brought back at the foot of the page.' : 'It is back.',
        );
    }

    public function further(
        ScoutingRequest $request,
        Review $review,
        Scouting $scouting,
        AskFurther $ask,
    ): RedirectResponse {
        $item = Input::text($request, 'item');
        $code = $item === '' ? null : $review->codes()->whereNull('retired_at')->findOrFail($item);
        $label = $code->label ?? trim(
            (string) $request->validate(['label' => ['required', 'string', 'min:3', 'max:300']])['label'],
        );
        $shown = Input::text($request, 'of') === 'shown'
            ? (new FoundPapers($scouting, $request->terms($scouting)))->shownIds()
            : null;
        $ask->ask($this->me($request), $scouting, $label, $code, $shown);

        return back()->with(
            'notice',
            $shown === null
                ? 'Every paper that answers is being read for it.'
                : 'The '.count($shown).' shown are being read for it.',
        );
    }

    /** What was asked of some, of all that answer. */
    public function ofAll(
        Request $request,
        Review $review,
        Scouting $scouting,
        FurtherQuestion $further,
        AskFurther $ask,
    ): RedirectResponse {
        abort_unless($further->review_id === $review->id && $further->scouting_id === $scouting->id, 404);
        $ask->ofAll($this->me($request), $further);

        return back()->with('notice', 'The others are being read for it.');
    }

    /** An item of the codebook of it, or leads to its answers where it is one. */
    public function intoCodebook(
        Request $request,
        Review $review,
        Scouting $scouting,
        FurtherQuestion $further,
        IntoCodebook $into,
    ): RedirectResponse {
        abort_unless($further->review_id === $review->id && $further->scouting_id === $scouting->id, 404);
        if ($further->code_id === null) {
            Gate::authorize('manage', $review);
            $item = $into->add($this->me($request), $further);

            return back()->with('notice', "“{$item->label}” is in the codebook. Its leads can be read now.");
        }
        $task = $into->leads($this->me($request), $further);

        return back()->with('notice', "{$task->title}. What is found waits beside the item in the coding table.");
    }

    public function takeBack(
        Request $request,
        Review $review,
        Scouting $scouting,
        FurtherQuestion $further,
        AskFurther $ask,
    ): RedirectResponse {
        abort_unless($further->review_id === $review->id && $further->scouting_id === $scouting->id, 404);
        $ask->takeBack($this->me($request), $further);

        return back();
    }
}
