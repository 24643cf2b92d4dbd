<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Queries\Shared\Tallies;
use App\Queries\Shared\Waiting;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final class HomeController extends Controller
{
    public function __invoke(Request $request): View
    {
        $me = $this->me($request);
        $reviews = Review::query()
            ->whereHas('memberships', fn ($m) => $m->where('user_id', $me->id))
            ->orderByDesc('updated_at')
            ->with('stages')
            ->get()
            ->map(
                fn (Review $review): array => [
                    'review' => $review,
                    'role' => $me->roleIn($review),
                    'waiting' => Waiting::for($me, $review),
                    'publications' => Tallies::of($review)->all(),
                ],
            )
            ->sortByDesc(fn (array $one): bool => $one['waiting']->all() > 0)
            ->values();

        return view('team.home', ['reviews' => $reviews]);
    }
}
