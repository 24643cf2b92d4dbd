<?php

namespace Tests\Feature\Shared;

use App\Tasks\FairQueue;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** A connection outside the test's transaction: nobody is told of what is not committed. */
function apart(): Connection
{
    config(['database.connections.apart' => TestCase::connectionApart()]);

    return DB::connection('apart');
}

/** @return array<string, mixed> */
function jobIn(string $queue): array
{
    $now = now()->getTimestamp();

    return ['queue' => $queue, 'payload' => '{}', 'attempts' => 0, 'available_at' => $now, 'created_at' => $now];
}

afterEach(fn () => apart()->table('jobs')->delete());

it('tells of each queue once, however many jobs are put into it together', function () {
    $connection = apart();
    $connection->unprepared('LISTEN "jobs files"; LISTEN "jobs long"; LISTEN "jobs default"');
    $connection->table('jobs')->insert([jobIn('files'), jobIn('long'), jobIn('files')]);
    $heard = [];
    while (($told = $connection->getPdo()->pgsqlGetNotify(\PDO::FETCH_ASSOC, 100)) !== false) {
        $heard[] = $told['message'];
    }
    sort($heard);
    expect($heard)->toBe(['jobs files', 'jobs long']);
});

it('wakes a worker that waits, and no other', function () {
    $connection = apart();
    $queue = fn (int $waits): FairQueue => tap(
        new FairQueue($connection, 'jobs', waitsMilliseconds: $waits),
        fn (FairQueue $one) => $one->setContainer(app()),
    );
    // longer than it takes: what it is told ends it
    $put = new Process(['php', '-r', <<<'PHP'
        $to = new PDO($argv[1], getenv('DB_USERNAME'), getenv('DB_PASSWORD'));
        while ($to->query("SELECT 1 FROM pg_stat_activity WHERE datname = current_database() AND query LIKE 'LISTEN%'")->fetch() === false) {
            usleep(20_000);
        }
        $to->exec("INSERT INTO jobs (queue, payload, attempts, available_at, created_at, turn)
            VALUES ('default', '{}', 0, 0, 0, 0)");
        PHP, sprintf('pgsql:host=%s;port=%s;dbname=%s', ...array_map($connection->getConfig(...), ['host', 'port', 'database']))]);
    $put->start();
    $woken = $queue(60_000)->pop();
    $put->wait();
    expect($woken?->getQueue())->toBe('default')->and($put->getExitCode())->toBe(0);
    $woken->delete();
    expect($queue(1)->pop())->toBeNull()->and($queue(0)->pop())->toBeNull();
    $connection->table('jobs')->insert(jobIn('files'));
    expect($queue(1)->pop())->toBeNull()->and($queue(1)->pop('files')?->getQueue())->toBe('files');
});
