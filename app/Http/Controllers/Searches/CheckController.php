<?php

declare(strict_types=1);

namespace App\Http\Controllers\Searches;

use App\Actions\Searches\DismissFinding;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Models\Strategy;
use App\Queries\Searches\StrategyCheck;
use App\Sources\Sources;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class CheckController extends Controller
{
    public function show(Review $review, Strategy $strategy, StrategyCheck $check, Sources $sources): View
    {
        $revision = $strategy->shown();

        return view('searches.check', [
            'review' => $review,
            'strategy' => $strategy,
            'revision' => $revision->number,
            'sources' => $sources,
            'check' => $check->of($review, $strategy, $revision->strategy()),
        ]);
    }

    public function dismiss(
        Request $request,
        Review $review,
        Strategy $strategy,
        DismissFinding $dismiss,
    ): RedirectResponse {
        $given = $request->validate([
            'finding' => ['required', 'string', 'max:400'],
            'reason' => ['required', 'string', 'max:1000'],
        ]);
        $dismiss->execute($this->me($request), $strategy, $given['finding'], $given['reason']);

        return redirect()->route('strategies.check', [$review, $strategy]);
    }

    public function bringBack(
        Request $request,
        Review $review,
        Strategy $strategy,
        DismissFinding $dismiss,
    ): RedirectResponse {
        $given = $request->validate(['finding' => ['required', 'string', 'max:400']]);
        $dismiss->takeBack($this->me($request), $strategy, $given['finding']);

        return redirect()->route('strategies.check', [$review, $strategy]);
    }
}
