<?php

namespace Tests\Feature\Shared;

use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** A database of its own, as a release of before left it. */
function asOfBefore(string $file): void
{
    $as = TestCase::connectionApart();
    config(['database.connections.before' => [...$as, 'database' => 'heron_upgrade'], 'database.default' => 'before']);
    DB::unprepared('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
    DB::disconnect();
    $restore = new Process(
        ['psql', '-qX', '-v', 'ON_ERROR_STOP=1', '-h', $as['host'], '-p', (string) $as['port'], '-U', $as['username'], 'heron_upgrade'],
        env: ['PGPASSWORD' => $as['password']],
        input: gzopen($file, 'rb') ?: null,
        timeout: 120,
    );
    $restore->mustRun();
}

it('brings the data of each release to the present', function (string $file): void {
    asOfBefore($file);
    $tables = ['publications', 'records', 'items', 'decisions', 'answers', 'results', 'log_entries', 'full_texts', 'passages'];
    $count = fn (): array => array_map(fn (string $table): int => DB::table($table)->count(), array_combine($tables, $tables));
    $before = $count();
    expect(min($before))->toBeGreaterThan(0);

    expect(Artisan::call('migrate', ['--database' => 'before', '--force' => true]))->toBe(0);
    config(['database.default' => 'before']);
    expect($count())->toBe($before);
    expect(Artisan::call('heron:check-states'))->toBe(0);

    $review = Review::query()->where('title', 'Bright light on night shifts')->sole();
    $this->actingAs(User::query()->where('email', 'ines.okafor@heron.example')->sole());
    $pages = ['', '/searches', '/deliveries', '/records', '/matching', '/screening', '/full-texts', '/coding', '/synthesis', '/synthesis/analyses', '/report', '/report/text', '/log'];
    foreach ($pages as $page) {
        $this->followingRedirects()->get("/reviews/{$review->id}{$page}")->assertOk()->assertSee($review->title);
    }
})->with(fn (): array => glob(dirname(__DIR__, 2).'/Upgrade/*.sql.gz') ?: []);

afterEach(function (): void {
    config(['database.default' => 'pgsql']);
    DB::purge('before');
});
