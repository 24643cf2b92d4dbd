<?php

declare(strict_types=1);

namespace App\Http\Controllers\Screening;

use App\Actions\Screening\CarryCalibration;
use App\Actions\Screening\ChangeStage;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Review;
use App\Models\Stage;
use App\Queries\Shared\Tallies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Screening\Settler;
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
        [$rules, $notice] = self::beginning($purpose);
        $change->add($this->me($request), $review, trim($given['name']), $purpose, $rules);

        return redirect()->route('stages', $review)->with('notice', $notice);
    }

    /** @return array{array<string, mixed>, string} the rules that a stage of its kind begins with, and what follows */
    private static function beginning(StagePurpose $purpose): array
    {
        return match ($purpose) {
            // in doubt the abstract is read
            StagePurpose::Titles => [
                ['unsure_includes' => true, 'reason_required' => false],
                'Publications come to title and abstract once their title is included here.',
            ],
            StagePurpose::FullText => [
                ['reasons_must_agree' => true],
                'What is included by title and abstract goes on to this stage.',
            ],
            default => [['work' => 'shares'], 'The stage is there. Share items out to it.'],
        };
    }

    /** Says what the change would do, or makes it. */
    public function update(Request $request, Review $review, Stage $stage, ChangeStage $change): RedirectResponse
    {
        $given = $this->given($request);
        $rules = $this->rules($request, $review, $stage, $given);
        if ($given['do'] === 'try') {
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

    /**
     * @param  array<string, mixed>  $given
     * @return array<string, mixed> of Stage
     */
    private function rules(Request $request, Review $review, Stage $stage, array $given): array
    {
        $rules = [
            'name' => trim($given['name']),
            'required_decisions' => (int) $given['required_decisions'],
            'settled_by' => Settler::from($given['settled_by']),
            'work' => $given['work'],
            'criteria' => $this->criteria($review, $given['criteria'] ?? []),
        ];
        foreach (['unsure_includes', 'reason_required', 'reasons_must_agree', 'names_hidden'] as $flag) {
            $rules[$flag] = $request->boolean($flag);
        }
        $rules['reason_required'] = $rules['reason_required'] || $stage->purpose === StagePurpose::FullText;

        return $rules;
    }

    /** @return array<string, mixed> */
    private function given(Request $request): array
    {
        return $request->validate([
            'do' => ['required', 'in:try,change'],
            'name' => ['required', 'string', 'max:80', 'regex:/\S/'],
            'required_decisions' => ['required', 'integer', 'between:1,9'],
            'unsure_includes' => ['boolean'],
            'reason_required' => ['boolean'],
            'reasons_must_agree' => ['boolean'],
            'names_hidden' => ['boolean'],
            'settled_by' => ['required', Rule::enum(Settler::class)],
            'work' => ['required', 'in:anything,shares,queue'],
            'criteria' => ['nullable', 'array'],
            'criteria.*' => ['nullable', 'integer', 'between:0,200'],
        ]);
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

    /**
     * @param  array<string, ?string>  $places  place by criterion; none where it does not apply
     * @return ?list<string> ids in order; null where all apply as the protocol has them
     */
    private function criteria(Review $review, array $places): ?array
    {
        $protocol = array_values($review->criteria()->whereNull('retired_at')->pluck('id')->all());
        $chosen = array_filter(
            array_intersect_key($places, array_flip($protocol)),
            fn (?string $place): bool => (int) $place > 0,
        );
        asort($chosen);
        $ids = array_map(strval(...), array_keys($chosen));

        return $places === [] || $ids === $protocol ? null : $ids;
    }
}
