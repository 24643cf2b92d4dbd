<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/**
 * Answers under the configured name alone: links are made from that, and a page elsewhere cannot pretend to be here.
 */
final class OwnHostOnly
{
    public function handle(Request $request, Closure $next): Response
    {
        // as it was sent: the framework itself throws away what has odd characters
        $host = strtolower((string) preg_replace('/:\d+$/', '', trim((string) $request->headers->get('HOST'))));
        if ($host !== strtolower((string) parse_url((string) config('app.url'), PHP_URL_HOST))) {
            throw new BadRequestHttpException('This address is not where this copy of Wary Heron is found.');
        }

        return $next($request);
    }
}
