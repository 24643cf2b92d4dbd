<?php

declare(strict_types=1);

namespace App\Http\Controllers\Shared;

use App\Http\Controllers\Controller;
use App\Queries\Shared\CopyHealth;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** For whoever watches over the machine: whether it can work, and its numbers. Nothing of what people do. */
final class HealthController extends Controller
{
    /** Whether it should be sent requests; 503 where not. */
    public function ready(): JsonResponse
    {
        $ready = CopyHealth::ready();

        return response()->json($ready, $ready->canServe() ? 200 : 503);
    }

    /** In the text format of Prometheus, for those who have the token that was set. */
    public function metrics(Request $request): Response
    {
        $token = (string) config('heron.metrics_token');
        abort_if($token === '', 404);
        abort_unless(hash_equals($token, (string) $request->bearerToken()), 401);

        return response(implode('', CopyHealth::numbers()), 200, [
            'Content-Type' => 'text/plain; version=0.0.4; charset=utf-8',
        ]);
    }
}
