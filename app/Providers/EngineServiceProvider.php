<?php

declare(strict_types=1);

namespace App\Providers;

use App\Access\RedisSessions;
use App\Database\ImpatientConnector;
use App\Database\MillisecondConnection;
use App\Database\Replica;
use App\Database\SessionRows;
use App\Files\StoredCopy;
use App\Tasks\FairConnector;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\Events\ConnectionEstablished;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Queue\Events\JobExceptionOccurred;
use Illuminate\Queue\Events\JobProcessed;
use Illuminate\Queue\QueueManager;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Redis;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;

/** The engines below: database, sessions, queue and store, on one machine or on several, as the configuration says. */
final class EngineServiceProvider extends ServiceProvider
{
    private const PAGE_MILLISECONDS = 10_000;

    public function register(): void
    {
        if (PHP_SAPI === 'fpm-fcgi') {
            // not in the configuration, which is cached from the command line
            config(self::ofPages((array) config('database.connections.pgsql')));
        }
        $this->app->bind('db.connector.pgsql', ImpatientConnector::class);
        Connection::resolverFor('pgsql', fn (mixed ...$of): MillisecondConnection => new MillisecondConnection(...$of));
        // before anything else asks for a queue, which would be made by the framework's own
        $this->app->afterResolving('queue', fn (QueueManager $queues) => $queues->addConnector(
            'database',
            fn (): FairConnector => new FairConnector($this->app->make('db')),
        ));
    }

    public function boot(): void
    {
        if (is_string($proxies = config('heron.proxies'))) {
            TrustProxies::at(array_map(trim(...), explode(',', $proxies)));
        }
        Event::listen(ConnectionEstablished::class, fn (ConnectionEstablished $made) => Replica::leave($made->connection));
        Event::listen([JobProcessed::class, JobExceptionOccurred::class], fn () => StoredCopy::tidy());
        Session::extend(
            'database',
            fn (Application $app): SessionRows => new SessionRows(
                $app->make('db')->connection(config('session.connection')),
                config('session.table'),
                config('session.lifetime'),
                $app,
            ),
        );
        Session::extend(
            'redis',
            fn (Application $app): RedisSessions => new RedisSessions(
                Redis::connection(config('session.connection')),
                config('session.lifetime'),
                $app,
            ),
        );
    }

    /**
     * A new connection costs more than most pages, so that it is kept; and a page that asks for more than some seconds
     * would hold a process that others wait for.
     *
     * @param  array<string, mixed>  $database
     * @return array<string, string|array<array-key, string|int|bool>>
     */
    private static function ofPages(array $database): array
    {
        $timeout = ['database.connections.pgsql.server_options' => ['statement_timeout' => self::PAGE_MILLISECONDS]];

        return [
            'database.connections.pgsql.options' => $database['options'] + [\PDO::ATTR_PERSISTENT => true],
            'database.connections.pgsql.database' => $database['pages'] ?? $database['database'],
            // a pool of connections refuses what would be set for one of them, and has a limit of its own
            ...$database['pooled'] ? [] : $timeout,
        ];
    }
}
