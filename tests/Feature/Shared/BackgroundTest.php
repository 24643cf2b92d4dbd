<?php

namespace Tests\Feature\Shared;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Team\CreateReview;
use App\Jobs\Deliveries\DeliverFile;
use App\Jobs\Team\SendResetLink;
use App\Models\Delivery;
use App\Models\Matching;
use App\Models\Review;
use App\Models\Task;
use App\Tasks\FairQueue;
use App\Tasks\Waits;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Symfony\Component\Process\Process;
use Tests\Feature\World;

/** Work waits in the database, as it does outside the tests, and nobody takes it. */
function waiting(): void
{
    config(['queue.default' => 'database', 'queue.connections.database.after_commit' => false]);
}

function deliveryTo(Review $review, string $title): Delivery
{
    $path = (string) tempnam(sys_get_temp_dir(), 'ris');
    file_put_contents($path, "TY  - JOUR\nTI  - {$title}\nER  - \n");

    return app(StartDelivery::class)->ofFile(
        \App\Models\User::query()->where('email', 'lead@heron.example')->sole(),
        $review,
        $path,
        "{$title}.ris",
        'Tern Abstracts',
        now(),
        '',
    );
}

/** @return list<string> the reviews whose files are taken, one after the other */
function served(int $most = 50): array
{
    $served = [];
    while (count($served) < $most && ($job = Queue::connection('database')->pop('files')) !== null) {
        $served[] = Review::query()->find(DB::table('jobs')->where('id', $job->getJobId())->value('review_id'))->title;
        $job->delete();
    }

    return $served;
}

it('takes turns in a running copy as well, where the queue in the database is the one that is asked first', function () {
    // the tests' own application asks another one first
    $copy = new Process([PHP_BINARY, '-r', <<<'PHP'
        require 'vendor/autoload.php';
        $app = require 'bootstrap/app.php';
        $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
        echo $app->make('queue')->connection()::class;
        PHP], base_path(), ['QUEUE_CONNECTION' => 'database']);
    expect($copy->mustRun()->getOutput())->toBe(FairQueue::class);
});

it('takes turns between reviews, however many files one of them brings', function () {
    waiting();
    $world = new World();
    foreach (range(1, 5) as $i) {
        deliveryTo($world->review, "Lamps {$i}");
    }
    $other = app(CreateReview::class)->execute($world->people['lead'], 'Naps', '');
    deliveryTo($other, 'Nap 1');
    $third = app(CreateReview::class)->execute($world->people['lead'], 'Noise', '');
    deliveryTo($third, 'Noise 1');
    deliveryTo($third, 'Noise 2');
    expect(served())->toBe([
        'Lamps at night',
        'Naps',
        'Noise',
        'Lamps at night',
        'Noise',
        'Lamps at night',
        'Lamps at night',
        'Lamps at night',
    ]);
});

it('puts what comes later in the round that is being served, not behind all that waits', function () {
    waiting();
    $world = new World();
    foreach (range(1, 6) as $i) {
        deliveryTo($world->review, "Lamps {$i}");
    }
    expect(served(3))->toHaveCount(3);
    $other = app(CreateReview::class)->execute($world->people['lead'], 'Naps', '');
    deliveryTo($other, 'Nap 1');
    expect(served(2))->toBe(['Lamps at night', 'Naps']);
});

it('keeps quick work, files and long work apart', function () {
    waiting();
    $world = new World();
    deliveryTo($world->review, 'Lamps');
    SendResetLink::dispatch('anna@heron.example');
    $this->actingAs($world->people['lead'])->post("/reviews/{$world->review->id}/matching");
    expect(DB::table('jobs')->orderBy('id')->pluck('queue')->all())->toBe(['files', 'default', 'long']);
});

it('says what waiting work waits for, and of other reviews no more than that', function () {
    waiting();
    $world = new World();
    $other = app(CreateReview::class)->execute($world->people['lead'], 'Secret naps', '');
    $first = deliveryTo($other, 'Nap');
    $second = deliveryTo($world->review, 'Lamps 1');
    $third = deliveryTo($world->review, 'Lamps 2');
    expect(Waits::words($first->task))->toBe('It begins as soon as a worker is free.');
    expect(Waits::words($second->task))->toBe('It waits for 1 file of another review.');
    expect(Waits::words($third->task))->toBe('It waits for 2 files, 1 of this review and 1 of others.');
    $this->actingAs($world->people['lead'])
        ->getJson("/tasks?review={$world->review->id}")
        ->assertJsonCount(2, 'tasks')
        ->assertJsonPath('tasks.0.title', 'Reading Lamps 2.ris')
        ->assertJsonPath('tasks.0.message', 'It waits for 2 files, 1 of this review and 1 of others.');
    Queue::connection('database')->pop('files');
    expect(Waits::words($first->task))->toBe('It is about to begin.');
    $this->postJson("/tasks/{$third->task_id}/cancel")->assertOk();
    expect($third->refresh()->state)
        ->toBe('stopped')
        ->and(DB::table('jobs')->where('task_id', $third->task_id)->exists())
        ->toBeFalse();
});

it('ends with its reason what died twice at one place, and goes on from there when asked', function () {
    Queue::fake();
    $world = new World();
    $delivery = $world->deliver([['TI' => 'One'], ['TI' => 'Two']]);
    $dying = fn () => $delivery->task->refresh()->update(['in_hand' => "record {$delivery->refresh()->position}"]);
    // killed without a word: it is still in hand when the next worker comes
    $delivery->task->update(['state' => 'running', 'in_hand' => 'record 0', 'deaths' => 1]);
    app()->call([new DeliverFile($delivery->id), 'handle']);
    expect($delivery->refresh()->state)
        ->toBe('failed')
        ->and($delivery->failure)
        ->toContain('stopped twice at the same place')
        ->toContain('0 records that were taken in before are kept');
    expect($delivery->task->refresh()->only('state', 'in_hand', 'deaths'))->toBe([
        'state' => \App\Tasks\TaskState::Failed,
        'in_hand' => null,
        'deaths' => 0,
    ]);
    app(StartDelivery::class)->goOn($world->people['lead'], $delivery);
    // once is no reason to give up, nor is twice at two places
    $dying();
    app()->call([new DeliverFile($delivery->id), 'handle']);
    expect($delivery->refresh()->only('state', 'kept'))->toBe(['state' => 'done', 'kept' => 2]);
});

it('comes back a round later when it has died', function () {
    waiting();
    $world = new World();
    deliveryTo($world->review, 'Poison');
    $job = Queue::connection('database')->pop('files');
    DB::table('jobs')
        ->where('id', $job->getJobId())
        ->update(['reserved_at' => now()->subMinutes(5)->getTimestamp()]);
    $other = app(CreateReview::class)->execute($world->people['lead'], 'Naps', '');
    deliveryTo($other, 'Nap');
    expect(served())->toBe(['Naps', 'Lamps at night']);
});

it('cancels a comparison that is under way, which then keeps nothing', function () {
    Queue::fake();
    $world = new World();
    $world->deliver([['TI' => 'One']]);
    $this->actingAs($world->people['lead'])->post("/reviews/{$world->review->id}/matching");
    $matching = Matching::query()->sole();
    $this->postJson("/tasks/{$matching->task_id}/cancel")->assertOk();
    app()->call([new \App\Jobs\Matching\MatchRecords($matching->id), 'handle']);
    expect($matching->refresh()->state->value)
        ->toBe('failed')
        ->and($matching->failure)
        ->toBe('Cancelled. Nothing was changed.')
        ->and(Task::query()->find($matching->task_id)->state->value)
        ->toBe('cancelled');
    expect(DB::table('match_pairs')->count())->toBe(0);
});

it('shows this review’s work, newest first, and what is over no longer than a day', function () {
    $world = new World();
    $other = app(CreateReview::class)->execute($world->people['specialist'], 'Naps', '');
    $make = fn (Review $in, string $title, string $state) => $in
        ->tasks()
        ->create([
            'user_id' => $world->people['specialist']->id,
            'kind' => 'delivery',
            'title' => $title,
            'state' => $state,
            'url' => '/',
        ]);
    foreach (range(1, 14) as $i) {
        $make($other, "Nap {$i}", 'done');
    }
    $old = $make($world->review, 'Last week', 'done');
    Task::query()
        ->whereKey($old->id)
        ->toBase()
        ->update(['updated_at' => now()->subDays(2)]);
    $make($world->review, 'First', 'done');
    $make($world->review, 'Runs', 'running');
    $make($world->review, 'Second', 'failed');
    $titles = fn (string $review): array => array_column(
        $this->actingAs($world->people['specialist'])
            ->getJson("/tasks?review={$review}")
            ->json('tasks'),
        'title',
    );
    expect($titles($world->review->id))
        ->toBe(['Runs', 'Second', 'First'])
        ->and($titles(''))
        ->toHaveCount(17)
        ->and($titles('')[0])
        ->toBe('Runs');
});

it('finds what waited over an upgrade under the names that jobs have now', function () {
    waiting();
    $world = new World();
    deliveryTo($world->review, 'Lamps');
    SendResetLink::dispatch('anna@heron.example');
    $commands = fn (): array => DB::table('jobs')
        ->orderBy('id')
        ->pluck('payload')
        ->map(fn (string $payload): array => json_decode($payload, true)['data'])
        ->all();
    $now = $commands();
    $upgrade = require database_path('migrations/2026_11_27_000030_jobs_by_area.php');
    $upgrade->down();
    [$file, $link] = $commands();
    expect($file['commandName'])->toBe('App\Jobs\DeliverFile')
        ->and($file['command'])->toContain('O:20:"App\Jobs\DeliverFile"')->toContain("s:24:\"\0App\\Jobs\\TaskSlice\0task\"")
        ->and($link['commandName'])->toBe('App\Jobs\SendResetLink');
    $upgrade->up();
    expect($commands()[0])->toBe($now[0])
        ->and(decrypt($commands()[1]['command']))->toBe(decrypt($now[1]['command']))
        ->and(unserialize($commands()[0]['command']))->toBeInstanceOf(DeliverFile::class)
        ->and(unserialize($commands()[0]['command'])->taskId())->not->toBeNull();
});
