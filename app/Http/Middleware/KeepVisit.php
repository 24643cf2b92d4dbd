<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Database\Replica;
use App\Models\Membership;
use App\Models\Review;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * Keeps when somebody was last in a review, so that the first page can say what happened since. Half an hour away
 * ends a visit. Pages only, and no more often than some minutes.
 */
final class KeepVisit
{
    private const EVERY_SECONDS = 300;

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $review = $request->route('review');
        $user = $request->user();
        if ($review instanceof Review && $user instanceof User && $request->isMethod('GET') && ! $request->expectsJson()) {
            Replica::beside(fn () => $this->keep($request, $review, $user));
        }

        return $response;
    }

    private function keep(Request $request, Review $review, User $user): void
    {
        $key = "seen {$review->id}";
        if (time() - (int) $request->session()->get($key, 0) < self::EVERY_SECONDS) {
            return;
        }
        $request->session()->put($key, time());
        $mine = Membership::query()->where('review_id', $review->id)->where('user_id', $user->id);
        (clone $mine)->where('seen_at', '<', now()->subMinutes(Membership::MINUTES_AWAY))->toBase()->update([
            'visited_at' => DB::raw('seen_at'),
        ]);
        $mine->toBase()->update(['seen_at' => now()]);
    }
}
