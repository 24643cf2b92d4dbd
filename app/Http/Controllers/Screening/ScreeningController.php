<?php

declare(strict_types=1);

namespace App\Http\Controllers\Screening;

use App\Actions\Screening\CarryCalibration;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Review;
use App\Queries\Report\FlowQuery;
use App\Queries\Screening\Agreed\Agreement;
use App\Queries\Screening\CriterionCounts;
use App\Queries\Screening\Progress;
use App\Queries\Screening\ScreenerCounts;
use App\Queries\Screening\ShareOut\Shares;
use App\Queries\Shared\Tallies;
use App\Queries\Shared\Waiting;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final class ScreeningController extends Controller
{
    public function show(Request $request, Review $review): View
    {
        $me = $this->me($request);
        $stage = $this->stage($request, $review);
        $tallies = Tallies::ofStages($review);

        return view('screening.show', [
            'review' => $review,
            'stage' => $stage,
            'tallies' => $tallies[$stage->id],
            'waiting' => Waiting::for($me, $review, $tallies),
            'progress' => Progress::of($stage, $tallies[$stage->id]),
            'answers' => CriterionCounts::of($stage, $me),
            'criteria' => $stage->criteriaInUse(),
            'unshared' => $stage->work === 'shares' ? Shares::unshared($stage) : 0,
            'mine' => ScreenerCounts::of($me, $stage, $tallies[$stage->id]),
            'reasons' => FlowQuery::reasons($review, $stage),
        ]);
    }

    public function agreement(Request $request, Review $review): View
    {
        $stage = $this->stage($request, $review);
        $criteria = $stage->criteriaInUse();
        $criterion = $criteria->firstWhere('id', Input::text($request, 'criterion'));

        return view('screening.agreement', [
            'review' => $review,
            'stage' => $stage,
            'criteria' => $criteria,
            'criterion' => $criterion,
            'agreement' => Agreement::of($stage, $criterion, $this->me($request)),
            'toCarry' => CarryCalibration::count($stage),
        ]);
    }
}
