<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\Institution;
use App\Access\Passwords;
use App\Access\SignIn;
use App\Actions\Searches\BeginDueRounds;
use App\Database\Grants;
use App\Http\Input;
use App\Models\AccessToken;
use App\Models\Review;
use App\Models\User;
use App\Notices\PostRoomTransport;
use App\Sources\OutsideLeads;
use App\Tasks\LostWork;
use App\Tasks\OfTask;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Events\MigrationsEnded;
use Illuminate\Database\Events\NoPendingMigrations;
use Illuminate\Http\Client\Factory as HttpClient;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\JobQueued;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\ServiceProvider;
use Illuminate\Support\Str;
use Laravel\Sanctum\Sanctum;
use WaryHeron\Core\Coding\Lead\LeadEngine;
use WaryHeron\Core\Coding\Lead\LeadFinder;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Sanctum::usePersonalAccessTokenModel(AccessToken::class);
        $this->app->bind(LeadFinder::class, fn (): LeadFinder => self::leads((array) config('heron.leads')));
        $this->app->bind(
            Institution::class,
            fn (): Institution => Institution::of((array) config('heron.institution'), $this->app->make(HttpClient::class)),
        );
    }

    /** @param  array<array-key, mixed>  $settings */
    private static function leads(array $settings): LeadFinder
    {
        $url = (string) ($settings['url'] ?? '');

        return $url === ''
            ? new LeadEngine()
            : new OutsideLeads($url, (string) $settings['name'], (int) $settings['timeout'], new LeadEngine());
    }

    public function boot(): void
    {
        Queue::looping(function (): void {
            app(BeginDueRounds::class)->sometimes();
            app(LostWork::class)->sometimes();
        });
        Event::listen(JobQueued::class, LostWork::keep(...));
        URL::useOrigin((string) config('app.url'));
        URL::forceScheme((string) parse_url((string) config('app.url'), PHP_URL_SCHEME));
        Date::use(CarbonImmutable::class);
        Hash::extend('whole', fn (): Passwords => new Passwords((array) config('hashing.bcrypt')));
        Event::listen([MigrationsEnded::class, NoPendingMigrations::class], fn () => Grants::give());
        Model::unguard();
        Model::shouldBeStrict($this->app->environment('production') === false);
        Mail::extend('post-room', fn (): PostRoomTransport => new PostRoomTransport());
        Route::bind(
            'review',
            fn (string $id): Review => ($reader = Auth::user()) instanceof User && Str::isUlid($id)
                ? $reader->opens($id)
                : throw (new ModelNotFoundException())->setModel(Review::class, [$id]),
        );
        Gate::define('see-design', fn (?object $user): bool => app()->environment('production') === false);
        Queue::createPayloadUsing(
            fn (?string $connection, ?string $queue, array $payload): array => ($job =
                $payload['data']['command'] ?? null) instanceof OfTask
                ? ['task' => $job->taskId()]
                : [],
        );
        $this->limits();
    }

    /**
     * By person, account or link: a whole department comes from one address, and none of it may lock the others out.
     */
    private function limits(): void
    {
        $who = fn (Request $request): string => $request->user()?->getAuthIdentifier() ?? (string) $request->ip();
        $account = fn (Request $request): string => hash('sha256', mb_strtolower(Input::text($request, 'email')));
        $limits = [
            'sign-in' => fn (Request $request): array => [
                Limit::perMinute(6)->by("{$account($request)} {$request->ip()}"),
                Limit::perMinutes(15, 40)->by($account($request)),
                Limit::perMinute(300)->by((string) $request->ip()),
            ],
            'second-factor' => fn (Request $request): array => [
                Limit::perMinute(6)->by($half = SignIn::waiting($request)->id ?? (string) $request->ip()),
                Limit::perMinutes(60, 30)->by($half),
            ],
            'institution' => fn (Request $request): Limit => Limit::perMinute(60)->by((string) $request->ip()),
            'reset-link' => fn (Request $request): array => [
                Limit::perMinutes(10, 3)->by($account($request)),
                Limit::perMinute(60)->by((string) $request->ip()),
            ],
            'link' => fn (Request $request): Limit => Limit::perMinute(12)->by(
                hash('sha256', is_string($token = $request->route('token')) ? $token : Input::text($request, 'token')),
            ),
            // outsiders have nothing but an address
            'reading' => fn (Request $request): Limit => Limit::perMinute(120)->by((string) $request->ip()),
            'unlock' => fn (Request $request): array => [
                Limit::perMinute(10)->by(hash('sha256', is_string($token = $request->route('token')) ? $token : '')),
                Limit::perMinute(30)->by((string) $request->ip()),
            ],
            'own-password' => fn (Request $request): Limit => Limit::perMinute(6)->by($who($request)),
            'invite' => fn (Request $request): Limit => Limit::perMinute(30)->by($who($request)),
            // what costs seconds, a database elsewhere or the worker: more than hands can ask for
            'typing' => fn (Request $request): Limit => Limit::perMinute(300)->by($who($request)),
            'dear' => fn (Request $request): Limit => Limit::perMinute(120)->by($who($request)),
            'query' => fn (Request $request): Limit => Input::text($request, 'q') === ''
                ? Limit::none()
                : Limit::perMinute(120)->by($who($request)),
            // a program may ask more often than hands, and less often than hurts those who work beside it
            'api' => fn (Request $request): Limit => Limit::perMinute(600)->by($who($request)),
            'upload' => fn (Request $request): Limit => Limit::perMinute(600)->by($who($request)),
        ];
        foreach ($limits as $name => $limit) {
            RateLimiter::for($name, function (Request $request) use ($name, $limit): array {
                $all = Arr::wrap($limit($request));
                foreach ($all as $i => $one) {
                    // a count of its own, whatever else is counted for the same person
                    $one->by("{$name} {$i} {$one->key}");
                }

                return $all;
            });
        }
    }
}
