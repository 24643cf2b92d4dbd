<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Records\JoinPublications;
use App\Models\Matching;
use App\Models\Task;
use App\Models\User;
use App\Queries\CertainGroups;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Joins what is certain, group by group. Killed at any moment, the groups that are left are joined by the next try. */
final class JoinCertain implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $tries = 20;

    public int $timeout = 1800;

    public function __construct(public readonly string $matchingId, public readonly string $userId, public readonly string $taskId, public readonly string $stroke)
    {
    }

    public function handle(JoinPublications $join): void
    {
        $task = Task::query()->find($this->taskId);
        $matching = Matching::query()->find($this->matchingId);
        if ($task === null || $matching === null || ! in_array($task->state, ['queued', 'running'], true)) {
            return;
        }
        $groups = CertainGroups::of($matching);
        $task->update(['state' => 'running', 'started_at' => $task->started_at ?? now(), 'total' => $task->done + count($groups)]);
        $joined = $task->done;
        foreach ($groups as $i => $group) {
            if ($i % 25 === 0 && Task::query()->whereKey($task->id)->whereNotNull('cancel_requested_at')->exists()) {
                $task->update(['state' => 'cancelled', 'done' => $joined, 'finished_at' => now(), 'message' => 'Cancelled. '.number_format($joined).' groups had been joined and stay so; undo them on the page of joined publications.']);

                return;
            }
            $joined += $join->execute(User::query()->find($this->userId), $matching->review_id, $group['publications'], $this->stroke, $matching->id) === null ? 0 : 1;
            if ($i % 25 === 24) {
                $task->update(['done' => $joined]);
            }
        }
        $task->update(['state' => 'done', 'done' => $joined, 'finished_at' => now(), 'message' => 'Joined '.number_format($joined).' groups. Look at some of them; they can be undone.']);
    }

    public function failed(): void
    {
        Task::query()->whereKey($this->taskId)->update(['state' => 'failed', 'finished_at' => now(), 'message' => 'Stopped by an error of ours. What was joined stays joined; go on by joining the rest.']);
    }
}
