<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Review;
use App\Queries\Agreement;
use App\Queries\FlowQuery;
use App\Queries\Progress;
use App\Queries\ScreenerCounts;
use App\Queries\Tallies;
use App\Queries\Waiting;
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
            'review' => $review, 'stage' => $stage, 'tallies' => $tallies[$stage->id], 'byStage' => $tallies, 'waiting' => Waiting::for($me, $review, $tallies),
            'people' => Progress::of($stage, $tallies[$stage->id]), 'mine' => ScreenerCounts::of($me, $stage, $tallies[$stage->id]), 'reasons' => FlowQuery::reasons($review, $stage),
        ]);
    }

    public function agreement(Request $request, Review $review): View
    {
        return view('screening.agreement', ['review' => $review, 'stage' => $stage = $this->stage($request, $review), 'agreement' => Agreement::of($stage)]);
    }
}
