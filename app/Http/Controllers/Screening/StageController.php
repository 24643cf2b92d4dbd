<?php

declare(strict_types=1);

namespace App\Http\Controllers\Screening;

use App\Actions\Screening\CarryCalibration;
use App\Actions\Screening\ChangeStage;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Screening\StageRulesRequest;
use App\Models\Review;
use App\Models\Stage;
use App\Queries\Shared\Tallies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Screening\StagePurpose;

/** The stages of screening and their rules. */
final class StageController extends Controller
{
    public function index(Review $review): View
    {
        return view('screening.stages', [
            'review' => $review,
            'stages' => $review->stages,
            'tallies' => Tallies::ofStages($review),
            'criteria' => $review->criteria()->whereNull('retired_at')->get(),
        ]);
    }

    public function store(Request $request, Review $review, ChangeStage $change): RedirectResponse
    {
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80', 'regex:/\S/'],
            'purpose' => [
                'required',
                Rule::in(array_column([StagePurpose::Titles, StagePurpose::FullText, StagePurpose::Subset], 'value')),
            ],
        ]);
        $purpose = StagePurpose::from($given['purpose']);
        $change->add($this->me($request), $review, trim($given['name']), $purpose, self::beginning($purpose));

        return redirect()->route('stages', $review)->with('notice', self::follows($purpose));
    }

    /** @return array<string, string|bool> the rules that a stage of its kind begins with */
    private static function beginning(StagePurpose $purpose): array
    {
        return match ($purpose) {
            // in doubt the abstract is read
            StagePurpose::Titles => ['unsure_includes' => true, 'reason_required' => false],
            StagePurpose::FullText => ['reasons_must_agree' => true],
            default => ['work' => 'shares'],
        };
    }

    private static function follows(StagePurpose $purpose): string
    {
        return match ($purpose) {
            StagePurpose::Titles => 'Publications come to title and abstract once their title is included here.',
            StagePurpose::FullText => 'What is included by title and abstract goes on to this stage.',
            default => 'The stage is there. Share items out to it.',
        };
    }

    /** Says what the change would do, or makes it. */
    public function update(StageRulesRequest $request, Review $review, Stage $stage, ChangeStage $change): RedirectResponse
    {
        $rules = $request->of($review, $stage);
        if ($request->isTrial()) {
            return redirect()
                ->to(route('stages', $review)."#stage-{$stage->id}")
                ->withInput([...$request->except('_token'), 'stage' => $stage->id])
                ->with('effect', $change->effect($stage, $rules));
        }
        $change->change($this->me($request), $stage, $rules, Input::shown($request));

        return redirect()
            ->to(route('stages', $review)."#stage-{$stage->id}")
            ->with('notice', 'The rules are changed, and every item is counted by them.');
    }

    public function close(Request $request, Review $review, Stage $stage, ChangeStage $change): RedirectResponse
    {
        $change->close($this->me($request), $stage);

        return redirect()
            ->route('stages', $review)
            ->with('notice', 'The stage is closed. What lacked decisions has opened and waits to be settled.');
    }

    /** The agreement that a calibration set is to reach. */
    public function target(Request $request, Review $review, Stage $stage, ChangeStage $change): RedirectResponse
    {
        $given = $request->validate(['target' => ['nullable', 'numeric', 'between:0,1']]);
        $change->change($this->me($request), $stage, ['target' => $given['target'] ?? null]);

        return redirect()
            ->route('agreement', [$review, 'stage' => $stage->id])
            ->with(
                'notice',
                ($given['target'] ?? null) === null
                    ? 'No agreement is asked for any more.'
                    : 'The agreement to reach is set.',
            );
    }

    public function carry(Request $request, Review $review, Stage $stage, CarryCalibration $carry): RedirectResponse
    {
        $carried = $carry->execute($this->me($request), $stage);

        return redirect()
            ->route('agreement', [$review, 'stage' => $stage->id])
            ->with(
                'notice',
                number_format($carried).
                    " publications are judged at “{$review->firstStage()->name}” as they ended here.",
            );
    }

    public function destroy(Request $request, Review $review, Stage $stage, ChangeStage $change): RedirectResponse
    {
        $change->remove($this->me($request), $stage);

        return redirect()->route('stages', $review)->with('notice', 'The stage is gone.');
    }
}
