<?php

declare(strict_types=1);

namespace App\Jobs\Coding;

use App\Actions\Coding\ProposeAnswers;
use App\Models\Publication;
use App\Models\Task;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use WaryHeron\Core\Coding\Lead\LeadPass;

/**
 * Reads one included paper after the other for answers, some seconds at a time. Killed at any moment, the paper in
 * hand is read again; one that kills twice is passed over.
 */
final class FindLeads implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 12.0;

    public int $tries = 20;

    public int $backoff = 2;

    /**
     * @param  list<string>  $publications  as they were included when it was begun
     * @param  ?string  $code  the only item that is looked for; null for all
     */
    public function __construct(
        public readonly string $taskId,
        public readonly array $publications,
        public readonly ?string $code = null,
        public readonly LeadPass $pass = LeadPass::Deep,
    ) {
        $this->onQueue('files');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(ProposeAnswers $propose): void
    {
        $deadline = microtime(true) + self::SECONDS;
        do {
            $isOver = $this->readNext($propose);
        } while (! $isOver && microtime(true) < $deadline);
        if (! $isOver) {
            TaskRun::layDown($this->taskId);
            self::dispatch($this->taskId, $this->publications, $this->code, $this->pass);
        }
    }

    public function failed(): void
    {
        TaskRun::fail($this->taskId, 'Stopped by an error of ours. What was proposed is kept; start again for the rest.');
    }

    /** @return bool whether nothing is left to read */
    private function readNext(ProposeAnswers $propose): bool
    {
        $done = (int) Task::query()->whereKey($this->taskId)->value('done');
        try {
            $task = TaskRun::begin($this->taskId, "paper {$done}");
        } catch (DiedTwice) {
            TaskRun::layDown($this->taskId);
            Task::query()->whereKey($this->taskId)->update(['done' => $done + 1]);

            return false;
        }
        $id = $this->publications[$done] ?? null;
        if ($task === null || $id === null) {
            if ($task !== null) {
                TaskRun::end($task->id, TaskState::Done, 'Every included paper was read. What was found waits beside the items.');
            }

            return true;
        }
        $study = Publication::query()->where('review_id', $task->review_id)->findOrFail($id);
        $propose->execute($task->review, $study, $this->code, $this->pass);
        TaskRun::layDown($task->id);
        Task::query()->whereKey($task->id)->update(['done' => $done + 1]);

        return false;
    }
}
