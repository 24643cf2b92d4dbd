<?php

use App\Http\Middleware\CheckFormToken;
use App\Http\Middleware\EndOldSessions;
use App\Http\Middleware\KnowsOwnWrites;
use App\Http\Middleware\NameRequest;
use App\Http\Middleware\OwnHostOnly;
use App\Http\Middleware\RememberTyped;
use App\Http\Middleware\RequireSecondFactor;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Problems;
use Bench\Console\Commands;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Support\Facades\Route;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        apiPrefix: 'api/v1',
        health: '/up',
        then: fn () => Route::group([], __DIR__.'/../routes/health.php'),
    )
    // the benchmarks' commands are there where development's classes are
    ->withCommands([__DIR__.'/../app/Console', ...class_exists(Commands::class) ? Commands::ALL : []])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->prepend([NameRequest::class, OwnHostOnly::class]);
        $middleware->append(SecurityHeaders::class);
        $middleware->web(append: [RememberTyped::class, KnowsOwnWrites::class, EndOldSessions::class, RequireSecondFactor::class], replace: [ValidateCsrfToken::class => CheckFormToken::class]);
        // only what stands before it on this machine may say how a request came in
        $middleware->trustProxies(
            at: ['127.0.0.1', '::1'],
            headers: \Illuminate\Http\Request::HEADER_X_FORWARDED_FOR |
                \Illuminate\Http\Request::HEADER_X_FORWARDED_PROTO,
        );
        $middleware->redirectGuestsTo(fn () => route('sign-in'));
        $middleware->redirectUsersTo(fn () => route('home'));
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        Problems::handle($exceptions);
    })
    ->create();

// Each running copy keeps its settings and files in a folder of its own; without one, the project folder serves.
$instance = getenv('HERON_INSTANCE_DIR') ?: dirname(__DIR__).'/var/demo';
if (is_dir($instance)) {
    $app->useEnvironmentPath($instance);
    $app->useStoragePath("{$instance}/storage");
}

return $app;
