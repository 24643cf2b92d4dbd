<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\AccessToken;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;
use Symfony\Component\HttpKernel\Exception\UnprocessableEntityHttpException;

/**
 * A request with an Idempotency-Key is carried out once: sent again within a day, its answer comes again. The same key
 * with another request is an error of whoever sends it. What failed may be tried again.
 */
final class OnlyOnce
{
    private const HEADER = 'Idempotency-Key';

    private const LONGEST = 200;

    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        $key = $request->headers->get(self::HEADER, '') ?? '';
        $token = $request->user()?->currentAccessToken();
        if ($key === '' || ! $token instanceof AccessToken) {
            return $next($request);
        }
        if (strlen($key) > self::LONGEST || preg_match('/^[\x21-\x7E]+$/', $key) !== 1) {
            throw new UnprocessableEntityHttpException('An Idempotency-Key is 1 to 200 visible signs of ASCII.');
        }
        $row = ['review_id' => $token->review_id, 'token_id' => $token->id, 'key' => $key];
        $print = self::print($request);
        DB::table('kept_replies')->where('created_at', '<', now()->subDay())->where('token_id', $token->id)->delete();
        $isFirst = DB::table('kept_replies')->insertOrIgnore([...$row, 'request' => $print, 'created_at' => now()]) === 1;

        return $isFirst ? $this->carriedOut($request, $next, $row) : $this->again($row, $print);
    }

    /**
     * @param  \Closure(Request): Response  $next
     * @param  array<string, string>  $row
     */
    private function carriedOut(Request $request, \Closure $next, array $row): Response
    {
        $kept = DB::table('kept_replies')->where($row);
        try {
            $response = $next($request);
        } catch (\Throwable $failure) {
            $kept->delete();
            throw $failure;
        }
        if ($response->getStatusCode() >= 400) {
            $kept->delete();
        } else {
            $kept->update([
                'status' => $response->getStatusCode(),
                'body' => (string) $response->getContent(),
                'location' => (string) $response->headers->get('Location', ''),
            ]);
        }

        return $response;
    }

    /** @param  array<string, string>  $row */
    private function again(array $row, string $print): Response
    {
        $kept = DB::table('kept_replies')->where($row)->first();
        if ($kept === null || $kept->status === null) {
            throw new ConflictHttpException('This request is still being carried out.');
        }
        if ($kept->request !== $print) {
            throw new UnprocessableEntityHttpException('This Idempotency-Key was used for another request.');
        }
        $headers = ['Content-Type' => 'application/json', 'Idempotency-Replayed' => 'true'];

        return new \Illuminate\Http\Response(
            $kept->body,
            (int) $kept->status,
            array_filter([...$headers, 'Location' => $kept->location]),
        );
    }

    private static function print(Request $request): string
    {
        $files = array_map(
            fn ($file): string => hash_file('sha256', $file->getRealPath()) ?: '',
            array_filter($request->allFiles(), fn ($file): bool => $file instanceof \Illuminate\Http\UploadedFile),
        );

        return hash(
            'sha256',
            $request->method().$request->getRequestUri().json_encode([$request->except(array_keys($files)), $files]),
        );
    }
}
