<?php

namespace Tests\Feature\Shared;

use App\Access\OpenSessions;
use App\Access\RedisSessions;
use App\Database\Replica;
use App\Files\StoredAnswer;
use App\Files\StoredCopy;
use App\Http\Middleware\KnowsOwnWrites;
use App\Http\Middleware\MayBeAMomentOld;
use App\Models\User;
use App\Queries\Shared\CopyHealth;
use Aws\Result;
use GuzzleHttp\Psr7\Utils;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Redis;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Symfony\Component\Process\Process;
use Tests\Feature\World;
use Tests\TestCase;

/** A Redis of the tests' own, in a folder that goes with them. */
function redis(): int
{
    static $server = null;
    static $port = 0;
    if ($server === null) {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        $server = new Process(['redis-server', '--port', (string) $port, '--bind', '127.0.0.1', '--save', '']);
        $server->start();
        register_shutdown_function(fn () => $server->stop(1));
        for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', $port) === false; $i++) {
            usleep(50_000);
        }
    }

    return $port;
}

function keepsSessionsInRedis(): void
{
    foreach (['default' => 0, 'cache' => 1] as $name => $database) {
        config(["database.redis.{$name}" => ['host' => '127.0.0.1', 'port' => redis(), 'database' => $database]]);
    }
    app()->forgetInstance('redis');
    Redis::clearResolvedInstances();
    Redis::connection()->command('flushall');
    config(['session.driver' => 'redis', 'session.connection' => null, 'cache.default' => 'redis']);
    Session::forgetDrivers();
}

/** A store elsewhere that answers as S3 does; what it was asked is kept. */
function elsewhere(string $bytes): \ArrayObject
{
    $asked = new \ArrayObject();
    config(['filesystems.disks.s3' => [
        ...config('filesystems.disks.s3'),
        'key' => 'us', 'secret' => 'of ours', 'region' => 'eu-1', 'bucket' => 'papers', 'endpoint' => 'http://store.example',
        'handler' => function ($command) use ($asked, $bytes) {
            $asked[] = $command;
            $length = strlen($bytes);
            if ($command['Key'] === 'lost.pdf') {
                throw new \Aws\S3\Exception\S3Exception('gone', $command, ['code' => 'NoSuchKey']);
            }
            $part = preg_match('/^bytes=(\d+)-(\d*)$/', (string) $command['Range'], $m) === 1
                ? substr($bytes, (int) $m[1], $m[2] === '' ? null : $m[2] - $m[1] + 1)
                : $bytes;

            return new \GuzzleHttp\Promise\FulfilledPromise(new Result([
                'Body' => Utils::streamFor($part),
                // of one the store says that there is more than it sends
                'ContentLength' => strlen($part) + ($command['Key'] === 'cut' ? 1 : 0),
                'ContentRange' => isset($m[1]) ? "bytes {$m[1]}-".($m[1] + strlen($part) - 1)."/{$length}" : null,
            ]));
        },
    ], 'filesystems.default' => 's3']);
    Storage::forgetDisk('s3');

    return $asked;
}

function sent(string $stored, string $range = ''): \Symfony\Component\HttpFoundation\Response
{
    return StoredAnswer::of(Request::create('/', server: $range === '' ? [] : ['HTTP_RANGE' => $range]), $stored, ['Content-Type' => 'application/pdf']);
}

function bytesOf(\Symfony\Component\HttpFoundation\Response $answer): string
{
    ob_start(fn (): string => '');
    ob_start();
    $answer->sendContent();
    $bytes = (string) ob_get_clean();
    ob_end_clean();

    return $bytes;
}

it('shows and ends sessions that are kept in Redis', function (): void {
    keepsSessionsInRedis();
    $world = new World();
    $handler = Session::driver()->getHandler();
    expect($handler)->toBeInstanceOf(RedisSessions::class);
    $this->actingAs($world->people['lead'])->get('/')->assertOk();
    $here = Session::getId();
    expect(OpenSessions::of($world->people['lead'])->pluck('id')->all())->toBe([$here]);
    foreach (['elsewhere', 'at home'] as $id) {
        $handler->write($id, 'theirs');
    }
    expect(OpenSessions::of($world->people['lead']))->toHaveCount(3);
    expect(OpenSessions::endOthers($world->people['lead'], $here, hash('sha256', 'at home')))->toBe(1);
    expect($handler->read('at home'))->toBe('')->and($handler->read('elsewhere'))->toBe('theirs');
    expect(OpenSessions::endOthers($world->people['lead'], $here, null))->toBe(1);
    OpenSessions::endAll($world->people['lead']);
    expect(OpenSessions::of($world->people['lead']))->toHaveCount(0)->and($handler->read($here))->toBe('');
});

it('does not let a request that began before bring back a session that was ended', function (): void {
    keepsSessionsInRedis();
    $world = new World();
    $this->actingAs($world->people['lead']);
    $handler = Session::driver()->getHandler();
    $handler->write('stolen', 'before');
    $handler->read('stolen');
    OpenSessions::endAll($world->people['lead']);
    $handler->write('stolen', 'after');
    expect($handler->read('stolen'))->toBe('')->and(OpenSessions::of($world->people['lead']))->toHaveCount(0);
});

it('counts what waits wherever the queue is', function (): void {
    keepsSessionsInRedis();
    config(['queue.default' => 'redis']);
    \Illuminate\Support\Facades\Queue::pushRaw('{"uuid":"1","createdAt":'.(now()->getTimestamp() - 7).'}', 'files');
    ['pieces' => $waiting, 'seconds' => $seconds] = (array) CopyHealth::waiting();
    expect($waiting)->toBe(1)->and($seconds)->toBeGreaterThanOrEqual(7);
});

it('sends a file of a store elsewhere whole or in the part that was asked for', function (): void {
    $asked = elsewhere('0123456789');
    expect(bytesOf($whole = sent('full-texts/a.pdf')))->toBe('0123456789')
        ->and($whole->getStatusCode())->toBe(200)
        ->and($whole->headers->get('Accept-Ranges'))->toBe('bytes');
    expect(bytesOf($part = sent('full-texts/a.pdf', 'bytes=2-5')))->toBe('2345')
        ->and($part->getStatusCode())->toBe(206)
        ->and($part->headers->get('Content-Range'))->toBe('bytes 2-5/10')
        ->and($part->headers->get('Content-Length'))->toBe('4')
        ->and($asked[1]['Range'])->toBe('bytes=2-5');
    expect(bytesOf(sent('full-texts/a.pdf', 'bytes=0-1,4-5')))->toBe('0123456789');
    expect(fn () => sent('lost.pdf'))->toThrow(fn (HttpException $why) => expect($why->getStatusCode())->toBe(404));
});

it('throws away what was copied from a store elsewhere when a job is over', function (): void {
    elsewhere('whole');
    $path = StoredCopy::path('deliveries/a');
    expect(file_get_contents($path))->toBe('whole')->and(StoredCopy::path('deliveries/a'))->toBe($path);
    StoredCopy::tidy();
    expect($path)->not->toBeFile();
});

it('takes what came from a store in part for nothing, however often it is asked for', function (): void {
    elsewhere('half');
    foreach ([1, 2] as $_) {
        expect(fn () => StoredCopy::path('cut'))->toThrow(\RuntimeException::class, 'in part only');
    }
});

/** @return list<string> who was asked: read for the replica, write for the primary */
function askedWhile(callable $what): array
{
    // a connection of its own: within a transaction, as the tests' is, only the primary is asked
    $split = [...TestCase::connectionApart(), 'read' => ['application_name' => 'replica'], 'write' => [], 'sticky' => true];
    config(['database.connections.pgsql.read' => [], 'database.connections.split' => $split, 'database.default' => 'split']);
    $asked = [];
    Event::listen(QueryExecuted::class, function (QueryExecuted $one) use (&$asked): void {
        $one->connectionName === 'split' && ($asked[] = (string) $one->readWriteType);
    });
    $what();
    config(['database.default' => 'pgsql']);
    DB::purge('split');

    return $asked;
}

it('reads from a replica only what may be a moment old', function (): void {
    $outsider = askedWhile(fn () => $this->get('/read/'.str_repeat('a', 40))->assertNotFound());
    expect(array_unique($outsider))->toBe(['read']);
    $elsewhere = askedWhile(fn () => $this->get('/invitations/'.str_repeat('a', 40)));
    expect(array_unique($elsewhere))->toBe(['write']);
});

it('keeps how far the database had come when somebody wrote', function (): void {
    $after = askedWhile(function (): void {
        $this->post('/sign-in', ['email' => 'nobody@heron.example', 'password' => 'a long password']);
        expect(session(KnowsOwnWrites::KEY))->toMatch('~^[0-9A-F]+/[0-9A-F]+$~');
    });
    expect(array_unique($after))->toBe(['write']);
});

it('lists for programs from a replica that has come as far as whoever asks', function (): void {
    $someone = (new World())->people['anna'];
    $request = function (string $method, string $route) use ($someone): Request {
        $request = Request::create('/api/v1/reviews/a/records', $method);
        $request->setUserResolver(fn (): User => $someone);
        $request->setRouteResolver(fn () => (new Route($method, 'a', fn (): string => ''))->name($route));

        return $request;
    };
    $answer = fn () => response((string) DB::scalar('SELECT 1'));
    $read = fn (string $route): array => askedWhile(
        fn () => (new MayBeAMomentOld())->handle($request('GET', $route), $answer),
    );
    expect(array_unique($read('api.list')))->toBe(['read'])->and(array_unique($read('api.numbers')))->toBe(['write']);

    expect(KnowsOwnWrites::place($request('GET', 'api.list')))->toBe('');
    askedWhile(fn () => (new KnowsOwnWrites())->handle($request('GET', 'api.list'), $answer));
    expect(KnowsOwnWrites::place($request('GET', 'api.list')))->toBe('');
    askedWhile(fn () => (new KnowsOwnWrites())->handle($request('POST', 'api.decide'), $answer));
    expect(KnowsOwnWrites::place($request('GET', 'api.list')))->toMatch('~^[0-9A-F]+/[0-9A-F]+$~');
});

it('goes to the primary where the replica does not answer', function (): void {
    $split = [...TestCase::connectionApart(), 'read' => ['port' => 1], 'write' => []];
    config(['database.connections.pgsql.read' => [], 'database.connections.split' => $split, 'database.default' => 'split']);
    expect(Replica::ask(''))->toBeFalse()->and(DB::scalar('SELECT 1'))->toBe(1);
    config(['database.default' => 'pgsql']);
    DB::purge('split');
});
