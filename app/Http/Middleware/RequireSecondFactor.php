<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\SecondFactor;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Where a copy asks everybody for a second factor, whoever has none sets one up before anything else. */
final class RequireSecondFactor
{
    private const HAS = 'has a second factor';

    /** Where one can be set up, and from where one can leave. */
    private const OPEN = ['account*', 'sign-out', 'sign-in/*', 'read/*', 'up', 'ready', 'metrics'];

    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if (
            config('heron.second_factor_required') !== true ||
            ! $user instanceof User ||
            $request->is(self::OPEN) ||
            $request->session()->get(self::HAS) === true
        ) {
            return $next($request);
        }
        if (SecondFactor::of($user) !== null) {
            $request->session()->put(self::HAS, true);

            return $next($request);
        }
        abort_if($request->expectsJson(), 403, 'Set up a second factor on your account page first.');

        return redirect()
            ->to(route('account').'#second-factor')
            ->with('problem', 'Everybody here signs in with a second factor. Set up yours, and go on.');
    }
}
