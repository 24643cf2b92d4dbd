<?php

declare(strict_types=1);

namespace App\Jobs\Asking;

use App\Actions\Asking\AskOutside;
use App\Models\AskedQuestion;
use App\Sources\OutsideLeads;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use WaryHeron\Core\Coding\Lead\LeadFinder;

/** What a service of one's own adds to the answer to a plain question, while it is already being read. */
final class HearOutside implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $tries = 2;

    public int $backoff = 2;

    public function __construct(public readonly string $taskId, public readonly string $questionId)
    {
        $this->onQueue('files');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(LeadFinder $finder): void
    {
        $task = TaskRun::take($this->taskId, 'asking');
        if ($task === null) {
            return;
        }
        $asked = AskedQuestion::query()->where('review_id', $task->review_id)->find($this->questionId);
        $asked === null || ! $finder instanceof OutsideLeads
            ? TaskRun::end($this->taskId, TaskState::Cancelled, 'No longer asked.')
            : TaskRun::end($this->taskId, TaskState::Done, (new AskOutside($finder))->execute($asked));
    }

    public function failed(): void
    {
        TaskRun::fail($this->taskId, 'Stopped by an error of ours. What was found here is kept.');
    }
}
