<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\SecurityLog;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Decisions, full texts and whole libraries that leave the house are written down. */
final readonly class WritesDownTakingOut
{
    public function __construct(private SecurityLog $log)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if ($response->isSuccessful()) {
            $this->log->write(
                'taken out',
                array_map(
                    fn (mixed $part): string => is_object($part) && method_exists($part, 'getKey')
                        ? (string) $part->getKey()
                        : (is_scalar($part)
                            ? (string) $part
                            : ''),
                    $request->route()?->parameters() ?? [],
                ),
            );
        }

        return $response;
    }
}
