<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Database\Replica;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Keeps how far the database had come when somebody last wrote, or was told that work is done: a replica is asked for
 * their pages only when it has come as far. Does nothing where there is no replica.
 */
final class KnowsOwnWrites
{
    public const KEY = 'database came to';

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
            $request->session()->put(self::KEY, rescue(Replica::place(...), self::FURTHER_THAN_ANY));
        }

        return $response;
    }
}
