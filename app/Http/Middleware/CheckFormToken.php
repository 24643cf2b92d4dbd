<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;

/** As the framework does it, without the cookie that repeats the token for scripts: ours read it from the page. */
final class CheckFormToken extends ValidateCsrfToken
{
    protected $addHttpCookie = false;
}
