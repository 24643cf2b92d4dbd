<?php

declare(strict_types=1);

namespace App\Jobs\Archive;

use App\Actions\Archive\MakeReviewFile;
use App\Files\MadeKind;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;

/** Makes a file that takes longer than a page may. */
final class MakeFile implements OfTask, ShouldQueue
{
    use Dispatchable, Queueable;

    public int $tries = 3;

    public int $timeout = 900;

    public function __construct(private readonly string $taskId, private readonly MadeKind $kind)
    {
        $this->onQueue('long')->afterCommit();
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(MakeReviewFile $make): void
    {
        $task = TaskRun::take($this->taskId, 'the file');
        if ($task === null) {
            return;
        }
        $task->load('user', 'review');
        $file = $make->execute($task->user, $task->review, $this->kind, function (int $done, int $total) use ($task): void {
            TaskRun::tell($task->id, $done, $total);
        });
        TaskRun::end($task->id, TaskState::Done, "It can be taken away: {$file->name}.");
    }

    public function failed(): void
    {
        TaskRun::fail($this->taskId, 'It could not be made, by an error of ours. Try again, or tell whoever runs this copy.');
    }
}
