<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\Institution;
use App\Access\Passwords;
use App\Access\RequestLimits;
use App\Actions\Searches\BeginDueRounds;
use App\Database\Grants;
use App\Files\In\UnfinishedFiles;
use App\Http\Addresses;
use App\Models\AccessToken;
use App\Models\Review;
use App\Models\User;
use App\Notices\PostRoomTransport;
use App\Sources\OutsideLeads;
use App\Tasks\LostWork;
use App\Tasks\OfTask;
use App\Tasks\OldCache;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Events\MigrationsEnded;
use Illuminate\Database\Events\NoPendingMigrations;
use Illuminate\Http\Client\Factory as HttpClient;
use Illuminate\Queue\Events\JobQueued;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
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
        $this->app->singleton('url', Addresses::of(...));
        $this->app->singleton(UnfinishedFiles::class);
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
            app(OldCache::class)->sometimes();
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
        RequestLimits::set();
    }
}
