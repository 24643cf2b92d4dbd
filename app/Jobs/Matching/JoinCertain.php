<?php

declare(strict_types=1);

namespace App\Jobs\Matching;

use App\Actions\Matching\JoinPublications;
use App\Models\Matching;
use App\Models\Task;
use App\Models\User;
use App\Queries\Matching\CertainGroups;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Joins what is certain, group by group. Killed at any moment, the groups that are left are joined by the next try. */
final class JoinCertain implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $tries = 20;

    public int $timeout = 1800;

    public function __construct(
        public readonly string $matchingId,
        public readonly string $userId,
        public readonly string $taskId,
        public readonly string $stroke,
    ) {
        $this->onQueue('long');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(JoinPublications $join): void
    {
        $matching = Matching::query()->find($this->matchingId);
        $task = TaskRun::take($this->taskId, 'group '.Task::query()->whereKey($this->taskId)->value('done'), 'What was joined stays joined.');
        if ($task === null || $matching === null) {
            return;
        }
        $groups = CertainGroups::of($matching);
        $task->update(['total' => $task->done + count($groups)]);
        $joined = $task->done;
        foreach ($groups as $i => $group) {
            if (! TaskRun::isWanted($task->id)) {
                $words = 'Cancelled. '.number_format($joined)
                    .' groups had been joined and stay so; undo them on the page of joined publications.';
                TaskRun::end($task->id, TaskState::Cancelled, $words, $joined);

                return;
            }
            $by = User::query()->find($this->userId);
            $kept = $join->execute($by, $matching->review_id, $group->publications, $this->stroke, $matching->id);
            $joined += $kept === null ? 0 : 1;
            if ($i % 25 === 24) {
                $task->update(['done' => $joined]);
            }
        }
        $words = 'Joined '.number_format($joined).' groups. Look at some of them; they can be undone.';
        TaskRun::end($task->id, TaskState::Done, $words, $joined);
    }

    public function failed(): void
    {
        TaskRun::end(
            $this->taskId,
            TaskState::Failed,
            'Stopped by an error of ours. What was joined stays joined; go on by joining the rest.',
        );
    }
}
