<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Where a form goes back with what was typed, tells the next page which form that was, so that it can be put back there. */
final class RememberTyped
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if (! $request->isMethodSafe() && $response->isRedirection() && $request->hasSession() && $request->session()->has('_old_input')) {
            $request->session()->flash('typed_at', $request->getPathInfo());
        }

        return $response;
    }
}
