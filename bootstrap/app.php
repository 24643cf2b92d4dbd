<?php

use App\Actions\Refused;
use App\Http\Middleware\SecurityHeaders;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', health: '/up')
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->redirectGuestsTo(fn () => route('sign-in'));
        $middleware->redirectUsersTo(fn () => route('home'));
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        // what cannot be done as things stand is said on the page it was asked on, with nothing lost
        $exceptions->render(fn (Refused $refused, Request $request) => $request->expectsJson()
            ? response()->json(['message' => $refused->getMessage(), 'context' => $refused->context], 409)
            : back()->withInput()->with('problem', $refused->getMessage()));
        $exceptions->dontReport(Refused::class);
        $exceptions->dontFlash(['password', 'password_confirmation', 'current_password']);
    })
    ->create();

// Each running copy keeps its settings and files in a folder of its own; without one, the project folder serves.
$instance = getenv('HERON_INSTANCE_DIR') ?: dirname(__DIR__).'/var/demo';
if (is_dir($instance)) {
    $app->useEnvironmentPath($instance);
    $app->useStoragePath("{$instance}/storage");
}

return $app;
