<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Task;
use Illuminate\Database\Query\Builder;
use Illuminate\Queue\Events\JobQueued;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/**
 * Work whose place in the queue is gone, as when a queue of its own was lost: it is queued again from what its task kept
 * of it. Jobs go on where their rows say that they are, so that this does nothing twice.
 */
final class LostWork
{
    use Sometimes;

    private const SECONDS = 60.0;

    /** Between a task and its place in the queue lies a moment. */
    private const MINUTES = 3;

    /** So often is it queued again before it is given up. */
    private const TIMES = 2;

    /** Keeps what comes next of a task, wherever the queue itself is kept. */
    public static function keep(JobQueued $queued): void
    {
        $task = $queued->payload()['task'] ?? null;
        if (is_string($task)) {
            DB::table('tasks')->where('id', $task)->update(['job' => $queued->payload, 'job_queue' => $queued->queue ?? 'default']);
        }
    }

    /** Workers ask whenever they look for work; it looks itself once a minute. */
    public function sometimes(): void
    {
        if (config('queue.default') === 'database' && self::isTime(self::SECONDS)) {
            $this->execute();
        }
    }

    /**
     * @param  bool  $isLost  whether the queue is known to be lost, so that there is nothing to wait for
     * @return int how many were queued again
     */
    public function execute(bool $isLost = false): int
    {
        $again = 0;
        foreach ($this->lost($isLost) as $id) {
            $again += $this->again($id) ? 1 : 0;
        }

        return $again;
    }

    /** @return list<string> */
    private function lost(bool $isLost): array
    {
        $lost = DB::table('tasks')
            ->whereIn('state', array_column(TaskState::underWay(), 'value'))
            ->whereNotNull('job')
            ->when(! $isLost, fn (Builder $some) => $some->where('updated_at', '<', now()->subMinutes(self::MINUTES)))
            ->whereNotExists(fn (Builder $job) => $job->selectRaw('1')->from('jobs')->whereColumn('jobs.task_id', 'tasks.id'))
            ->orderBy('id')
            ->pluck('id');

        return array_values(array_map(strval(...), $lost->all()));
    }

    /** Each once, however many workers ask at the same time. */
    private function again(string $id): bool
    {
        return DB::transaction(function () use ($id): bool {
            $task = Task::query()->whereKey($id)->lockForUpdate()->first();
            if ($task === null || ! $task->state->isUnderWay() || DB::table('jobs')->where('task_id', $id)->exists()) {
                return false;
            }
            if ($task->queued_again >= self::TIMES) {
                TaskRun::fail($id, 'Its place in the queue was lost more than once. What was done is kept; ask for it again.');

                return false;
            }
            $task->update(['queued_again' => $task->queued_again + 1]);
            Queue::connection()->pushRaw((string) $task->job, $task->job_queue);

            return true;
        });
    }
}
