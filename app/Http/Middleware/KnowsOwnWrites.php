<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Database\Replica;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Symfony\Component\HttpFoundation\Response;

/**
 * Keeps how far the database had come when somebody last wrote, or was told that work is done: a replica is asked for
 * their pages only when it has come as far. Kept by session for pages, and by person for programs, which have none and
 * ask for what somebody wrote on a page. Does nothing where there is no replica.
 */
final class KnowsOwnWrites
{
    public const KEY = 'database came to';

    /** No replica is as far behind for as long. */
    private const SECONDS = 3600;

    /** Where it cannot be asked any more: what was written stays answered, and the primary is read from next. */
    private const FURTHER_THAN_ANY = 'FFFFFFFF/FFFFFFFF';

    public function handle(Request $request, Closure $next): Response
    {
        if (! Replica::isThere()) {
            return $next($request);
        }
        Replica::leave();
        $response = $next($request);
        if (! $request->isMethodSafe() || $request->routeIs('tasks', '*.standing')) {
            self::keep($request, rescue(Replica::place(...), self::FURTHER_THAN_ANY));
        }

        return $response;
    }

    /** How far the database had come when whoever asks last wrote; empty where that is not known any more. */
    public static function place(Request $request): string
    {
        $place = $request->hasSession() ? $request->session()->get(self::KEY) : Cache::get(self::of($request));

        return is_string($place) ? $place : '';
    }

    private static function keep(Request $request, string $place): void
    {
        if ($request->hasSession()) {
            $request->session()->put(self::KEY, $place);
        }
        if ($request->user() !== null) {
            Cache::put(self::of($request), $place, self::SECONDS);
        }
    }

    private static function of(Request $request): string
    {
        return self::KEY.':'.($request->user()->id ?? '');
    }
}
