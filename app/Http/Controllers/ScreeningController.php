<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Review;
use App\Queries\Agreement;
use App\Queries\Desk;
use App\Queries\FlowQuery;
use App\Queries\Progress;
use App\Queries\Tallies;
use App\Queries\Waiting;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final class ScreeningController extends Controller
{
    public function show(Request $request, Review $review): View
    {
        $me = $this->me($request);

        return view('screening.show', [
            'review' => $review, 'tallies' => $tallies = Tallies::of($review), 'waiting' => Waiting::for($me, $review, $tallies),
            'people' => Progress::of($review, $tallies), 'mine' => (new Desk($review, $me))->counts(), 'reasons' => FlowQuery::reasons($review),
        ]);
    }

    public function agreement(Review $review): View
    {
        return view('screening.agreement', ['review' => $review, 'agreement' => Agreement::of($review)]);
    }
}
