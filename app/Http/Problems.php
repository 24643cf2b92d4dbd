<?php

declare(strict_types=1);

namespace App\Http;

use App\Access\SecurityLog;
use App\Actions\Shared\Refused;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/**
 * What is answered when something cannot be done: on the page it was asked on where that is possible, with what was
 * typed.
 */
final class Problems
{
    /** What PostgreSQL calls a statement that it ended because of its time. */
    private const CANCELLED = '57014';

    /**
     * Text that it cannot keep or numbers beyond its own: nothing of ours sends these, so the address or form was made
     * up.
     */
    private const NOT_STORABLE = ['22021', '22003', '22P05', '22008', '22007', '22P02'];

    /** Never kept in a session, however a form ends. */
    private const SECRET = ['password', 'password_confirmation', 'current_password', 'removing_password', 'code'];

    /** Said where a page of an older release sends what this one no longer takes. */
    public const OLDER_PAGE = 'This page is of an older release. Load it again; what you wrote is kept on this machine.';

    public static function handle(Exceptions $exceptions): void
    {
        $exceptions->dontReport(Refused::class);
        $exceptions->dontFlash(self::SECRET);
        $exceptions->map(QueryException::class, self::fromDatabase(...));
        $exceptions->shouldRenderJsonWhen(
            fn (Request $request): bool => $request->is('api/*') || $request->expectsJson(),
        );
        $exceptions->render(
            fn (\Throwable $failure, Request $request): ?Response => $request->is('api/*')
                ? ApiProblem::of($failure, $request)
                : null,
        );
        $exceptions->render(
            fn (Refused $refused, Request $request): Response => $request->expectsJson()
                ? response()->json(['message' => $refused->getMessage(), 'context' => $refused->context], 409)
                : self::asTyped($request)->with('problem', $refused->getMessage()),
        );
        $exceptions->render(self::onItsPage(...));
        $exceptions->respond(self::noted(...));
    }

    /** What was refused, and what came too often, goes to the security log. */
    private static function noted(Response $response, \Throwable $of, Request $request): Response
    {
        if (in_array($response->getStatusCode(), [403, 429], true)) {
            app(SecurityLog::class)->write($response->getStatusCode() === 403 ? 'refused' : 'too many', [
                'method' => $request->method(),
            ]);
        }

        return $response;

    }

    private static function fromDatabase(QueryException $failure): \Throwable
    {
        return match (true) {
            $failure->getCode() === self::CANCELLED => new HttpException(
                503,
                'This takes longer than a page may take. Ask for less at once: a narrower filter, or words with fewer endings.',
                $failure,
            ),
            in_array($failure->getCode(), self::NOT_STORABLE, true) => new HttpException(
                400,
                'Something in this address or form is no text or number that can be kept.',
                $failure,
            ),
            default => $failure,
        };
    }

    /** A form that came too late or too often is shown again as it was filled in. */
    private static function onItsPage(HttpException $problem, Request $request): ?Response
    {
        if ($request->expectsJson() || $request->isMethod('GET') || ! $request->hasSession()) {
            return null;
        }

        return match (true) {
            $problem->getStatusCode() === 419 && Auth::guest() => redirect()
                ->route('sign-in')
                ->with(
                    'notice',
                    'You had been signed out, so this was not done. Sign in, then go back: what you typed is still there.',
                ),
            $problem->getStatusCode() === 419 => self::asTyped($request)->with(
                'problem',
                'This page had been open for too long, so it was not done yet. What you typed is here: press again.',
            ),
            $problem instanceof ThrottleRequestsException => self::asTyped($request)->with(
                'problem',
                self::wait($problem),
            ),
            default => null,
        };
    }

    private static function asTyped(Request $request): RedirectResponse
    {
        return back()->withInput($request->except(self::SECRET));
    }

    public static function wait(HttpException $problem): string
    {
        $seconds = (int) ($problem->getHeaders()['Retry-After'] ?? 60);

        return 'That was asked too often in a row. Try again '.
            ($seconds <= 60 ? "in {$seconds} seconds." : 'in '.ceil($seconds / 60).' minutes.').
            ' Nothing was lost.';
    }
}
