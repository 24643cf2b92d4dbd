<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Access\SignIn;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Before what cannot be taken back, or lets others in: whoever sits there says the password once more. */
final class ShowWhoAgain
{
    private const SECONDS = 900;

    public function handle(Request $request, Closure $next): Response
    {
        $shown = $request->session()->get(SignIn::SHOWN);
        if (is_int($shown) && now()->getTimestamp() - $shown <= self::SECONDS) {
            return $next($request);
        }
        abort_if($request->expectsJson(), 423, 'Say your password again first: reload the page and press it again.');
        $request->session()->put('url.intended', $request->isMethod('GET') ? $request->fullUrl() : url()->previous());

        return redirect()->route('who-again');
    }
}
