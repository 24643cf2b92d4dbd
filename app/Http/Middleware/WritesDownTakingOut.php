<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\SecurityLog;
use App\Database\Replica;
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
            $parts = array_map($this->named(...), $request->route()?->parameters() ?? []);
            // a file may still be read while it is sent
            Replica::beside(fn () => $this->log->write('taken out', $parts));
        }

        return $response;
    }

    private function named(mixed $part): string
    {
        return match (true) {
            is_object($part) && method_exists($part, 'getKey') => (string) $part->getKey(),
            is_scalar($part) => (string) $part,
            default => '',
        };
    }
}
