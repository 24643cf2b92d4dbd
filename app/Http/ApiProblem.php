<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\Shared\Refused;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Coding\InvalidAnswer;

/** What programs are told when something cannot be done, as RFC 9457 has it. */
final class ApiProblem
{
    private const TITLES = [
        400 => 'Not understood',
        401 => 'No valid token',
        403 => 'Not allowed',
        404 => 'Not found',
        405 => 'Not done that way here',
        409 => 'Not as things stand',
        413 => 'Too large',
        422 => 'Not valid',
        429 => 'Too many requests',
        503 => 'Not now',
    ];

    public static function of(\Throwable $failure, Request $request): JsonResponse
    {
        $status = self::status($failure);
        $headers = $failure instanceof HttpExceptionInterface ? $failure->getHeaders() : [];
        $told = [
            'type' => 'about:blank',
            'title' => self::TITLES[$status] ?? Response::$statusTexts[$status] ?? 'Failed',
            'status' => $status,
            'detail' => self::detail($failure, $status),
            'instance' => $request->getPathInfo(),
            ...$failure instanceof ValidationException ? ['errors' => $failure->errors()] : [],
            ...$failure instanceof Refused && $failure->context !== [] ? ['context' => $failure->context] : [],
        ];
        $how = $status === 401 ? ['WWW-Authenticate' => 'Bearer'] : [];

        return response()->json($told, $status, [...$headers, ...$how, 'Content-Type' => 'application/problem+json']);
    }

    private static function status(\Throwable $failure): int
    {
        return match (true) {
            $failure instanceof AuthenticationException => 401,
            $failure instanceof AuthorizationException => $failure->status() ?? 403,
            $failure instanceof ModelNotFoundException => 404,
            $failure instanceof ValidationException, $failure instanceof InvalidAnswer, $failure instanceof UnusableFile => 422,
            $failure instanceof Refused => 409,
            $failure instanceof HttpExceptionInterface => $failure->getStatusCode(),
            default => 500,
        };
    }

    private static function detail(\Throwable $failure, int $status): string
    {
        return match (true) {
            $status === 500 => 'An error of ours. Nothing of this request was kept.',
            $status === 401 => 'Send a token that is valid: Authorization: Bearer heron_…',
            $failure instanceof ModelNotFoundException => 'There is nothing of this name here for this token.',
            $failure->getMessage() === '' => self::TITLES[$status] ?? '',
            default => $failure->getMessage(),
        };
    }
}
