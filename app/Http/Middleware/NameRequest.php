<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Context;
use Symfony\Component\HttpFoundation\Response;

/** A name for each request, in its answer and in all that is written of it, also by the jobs that it begins. */
final class NameRequest
{
    public function handle(Request $request, Closure $next): Response
    {
        $given = $request->server('REQUEST_ID');
        $name = is_string($given) && preg_match('/^[0-9a-f]{32}$/', $given) === 1 ? $given : bin2hex(random_bytes(16));
        Context::add('request', $name);
        $response = $next($request);
        $response->headers->set('X-Request-Id', $name);

        return $response;
    }
}
