<?php

namespace Tests\Feature\Shared;

use App\Jobs\Asking\HearOutside;
use App\Models\Task;
use App\Tasks\LostWork;
use App\Tasks\TaskState;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

/** A task whose job waits in the database's queue. */
function waitingWork(): Task
{
    config(['queue.default' => 'database', 'queue.connections.database.after_commit' => false]);
    $world = new World();
    $task = $world->review->tasks()->create([
        'user_id' => $world->people['anna']->id,
        'kind' => 'ask',
        'title' => 'Asking too',
        'state' => TaskState::Queued,
        'url' => '/',
    ]);
    dispatch(new HearOutside($task->id, str_repeat('0', 26)));

    return $task->refresh();
}

it('keeps what comes next of a task beside the queue, and lets go of it when the task is over', function () {
    $task = waitingWork();
    expect(json_decode((string) $task->job, true)['task'])->toBe($task->id)
        ->and($task->job)->toBe(DB::table('jobs')->value('payload'))
        ->and($task->job_queue)->toBe('files');
    $this->artisan('queue:work', ['--queue' => 'files', '--once' => true]);
    expect($task->refresh()->state)->toBe(TaskState::Cancelled)->and($task->job)->toBeNull();
});

it('queues again what has lost its place, which then ends', function () {
    $task = waitingWork();
    expect(app(LostWork::class)->execute(isLost: true))->toBe(0);
    DB::table('jobs')->delete();
    // a moment ago its place may not have been there yet
    expect(app(LostWork::class)->execute())->toBe(0);
    $this->travel(4)->minutes();
    expect(app(LostWork::class)->execute())->toBe(1)
        ->and(app(LostWork::class)->execute(isLost: true))->toBe(0)
        ->and(DB::table('jobs')->value('task_id'))->toBe($task->id);
    $this->artisan('queue:work', ['--queue' => 'files', '--once' => true]);
    expect($task->refresh()->state)->toBe(TaskState::Cancelled);
});

it('gives up what is lost again and again, and says so', function () {
    $task = waitingWork();
    foreach ([1, 1, 0] as $again) {
        DB::table('jobs')->delete();
        expect(app(LostWork::class)->execute(isLost: true))->toBe($again);
    }
    expect($task->refresh()->state)->toBe(TaskState::Failed)->and($task->message)->toContain('lost more than once');
});
