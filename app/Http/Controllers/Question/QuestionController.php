<?php

declare(strict_types=1);

namespace App\Http\Controllers\Question;

use App\Actions\Question\ChangeCriteria;
use App\Actions\Question\ChangeQuestion;
use App\Actions\Screening\SendRoundAgain;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Question\CriterionRequest;
use App\Http\Requests\Question\WordingRequest;
use App\Models\Criterion;
use App\Models\Review;
use App\Models\User;
use App\Queries\Question\Concepts;
use App\Queries\Question\ExcludedBy;
use App\Queries\Question\FirstSteps;
use App\Queries\Question\OlderWording;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

final class QuestionController extends Controller
{
    public function show(Review $review): View
    {
        $criteria = $review->criteria()->whereNull('retired_at')->get();

        return view('question.show', [
            'review' => $review,
            'concepts' => Concepts::of($review),
            'written' => Concepts::everWritten($review),
            'told' => ChangeQuestion::told($review),
            'criteria' => $criteria,
            'retired' => $review->criteria()->whereNotNull('retired_at')->get(),
            'older' => OlderWording::counts($review),
            'excluded' => ExcludedBy::counts($review),
            'wordings' => OlderWording::wordings($review),
            'steps' => Gate::allows('manage', $review) ? FirstSteps::of($review, $criteria->isNotEmpty()) : [],
        ]);
    }

    public function update(WordingRequest $request, Review $review, ChangeQuestion $change): RedirectResponse
    {
        $change->execute($this->me($request), $review, $request->wording(), Input::shown($request));

        return redirect()->route('question', $review)->with('notice', 'The question is saved.');
    }

    public function addCriterion(CriterionRequest $request, Review $review, ChangeCriteria $change): RedirectResponse
    {
        $change->add($this->me($request), $review, $request->question(), $request->reason());

        return redirect()
            ->to(route('question', $review).'#criteria')
            ->with('notice', 'The criterion is added.');
    }

    /** What was decided by an older wording of a criterion. */
    public function older(Review $review, Criterion $criterion): View
    {
        abort_if($criterion->reworded_at === null, 404);

        return view('question.older', [
            'review' => $review,
            'criterion' => $criterion,
            'count' => OlderWording::decisions($criterion)->count(),
            'items' => OlderWording::items($criterion),
            'wordings' => OlderWording::wordings($review)[$criterion->id] ?? [],
        ]);
    }

    public function sendRound(
        Request $request,
        Review $review,
        Criterion $criterion,
        SendRoundAgain $send,
    ): RedirectResponse {
        $sent = $criterion->reworded_at === null ? 0 : $send->execute($this->me($request), $review, $criterion);

        return redirect()
            ->to(route('question', $review).'#criteria')
            ->with(
                'notice',
                $sent === 0
                    ? 'No decision rests on an older wording any more.'
                    : number_format($sent).
                        ($sent === 1 ? ' decision is' : ' decisions are').
                        ' to be made again. What was decided before is kept in the history.',
            );
    }

    public function changeCriterion(
        Request $request,
        Review $review,
        Criterion $criterion,
        ChangeCriteria $change,
    ): RedirectResponse {
        $me = $this->me($request);
        match (Input::text($request, 'do')) {
            'up' => $change->move($me, $review, $criterion, -1),
            'down' => $change->move($me, $review, $criterion, 1),
            'retire' => $change->retire($me, $review, $criterion),
            'leave' => $change->leave($me, $review, $criterion),
            default => self::reword(app(CriterionRequest::class), $me, $review, $criterion, $change),
        };

        return redirect()->to(route('question', $review).'#criteria');
    }

    private static function reword(
        CriterionRequest $request,
        User $me,
        Review $review,
        Criterion $criterion,
        ChangeCriteria $change,
    ): void {
        $shown = Input::shown($request);
        $change->reword($me, $review, $criterion, $request->question(), $request->reason(), shown: $shown);
    }
}
