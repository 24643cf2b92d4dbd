<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\AccessToken;
use App\Models\Review;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Lets a program do in the review of its token what the token says, and shows no other review to it. */
final class OfToken
{
    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next, string $ability): Response
    {
        $token = $request->user()?->currentAccessToken();
        $review = $request->route('review');
        $of = $review instanceof Review ? $review->id : $review;
        if (! $token instanceof AccessToken || $token->review_id !== $of) {
            throw new NotFoundHttpException('There is no such review for this token.');
        }
        if (! $token->can($ability)) {
            throw new AuthorizationException("This token may not {$ability}.");
        }

        return $next($request);
    }
}
