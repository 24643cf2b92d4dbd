<?php

declare(strict_types=1);

namespace App\Providers;

use App\Database\MillisecondConnection;
use App\Mail\PostRoomTransport;
use App\Models\Review;
use App\Models\User;
use App\Support\SessionRows;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;
use Illuminate\Support\Str;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        if (PHP_SAPI === 'fpm-fcgi') {
            // a new connection costs more than most pages; not in the configuration, which is cached from the command line
            config(['database.connections.pgsql.options' => config('database.connections.pgsql.options') + [\PDO::ATTR_PERSISTENT => true]]);
        }
        Connection::resolverFor('pgsql', fn (mixed ...$of): MillisecondConnection => new MillisecondConnection(...$of));
    }

    public function boot(): void
    {
        Date::use(CarbonImmutable::class);
        Model::unguard();
        Model::shouldBeStrict($this->app->environment('production') === false);
        Session::extend('database', fn (Application $app): SessionRows => new SessionRows($app->make('db')->connection(config('session.connection')), config('session.table'), config('session.lifetime'), $app));
        Mail::extend('post-room', fn (): PostRoomTransport => new PostRoomTransport);
        Route::bind('review', fn (string $id): Review => ($reader = Auth::user()) instanceof User && Str::isUlid($id) ? $reader->opens($id) : throw (new ModelNotFoundException)->setModel(Review::class, [$id]));
        Gate::define('see-design', fn (?object $user): bool => app()->environment('production') === false);
        RateLimiter::for('sign-in', fn (Request $request): array => [
            Limit::perMinute(6)->by('sign-in:'.mb_strtolower($request->string('email')->value()).'|'.$request->ip()),
            Limit::perMinute(60)->by('sign-in-from:'.$request->ip()),
        ]);
        RateLimiter::for('mail', fn (Request $request): Limit => Limit::perMinute(6)->by('mail:'.$request->ip()));
    }
}
