<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * However busy, a session ends some weeks after it began: whoever holds a stolen cookie holds it no longer than that.
 */
final class EndOldSessions
{
    public const KEY = 'signed_in_at';

    private const SECONDS = 30 * 86400;

    public function handle(Request $request, Closure $next): Response
    {
        if (Auth::check()) {
            $began = $request->session()->get(self::KEY);
            if (! is_int($began)) {
                $request->session()->put(self::KEY, now()->getTimestamp());
            } elseif (now()->getTimestamp() - $began > self::SECONDS) {
                Auth::logout();
                $request->session()->invalidate();
                $request->session()->regenerateToken();
                abort_if($request->expectsJson(), 401, 'Your sign-in has ended after thirty days.');

                return redirect()
                    ->guest(route('sign-in'))
                    ->with('notice', 'Your sign-in has ended after thirty days. Sign in again; nothing is lost.');
            }
        }

        return $next($request);
    }
}
