<?php

declare(strict_types=1);

namespace App\Jobs\Searches;

use App\Actions\Searches\LoadScheme;
use App\Models\Task;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\Vocabulary\BadScheme;

/** Reads a team's own thesaurus; a large one takes longer than a page may. */
final class AddThesaurus implements OfTask, ShouldQueue
{
    use Dispatchable, Queueable;

    public int $tries = 5;

    public int $timeout = 600;

    public function __construct(
        private readonly string $taskId,
        private readonly string $stored,
        private readonly string $title,
    ) {
        $this->onQueue('long')->afterCommit();
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(LoadScheme $load): void
    {
        try {
            $task = TaskRun::begin($this->taskId, 'the thesaurus');
            $task === null || $this->add($load, $task->load('user', 'review'));
        } catch (BadScheme $bad) {
            TaskRun::end($this->taskId, TaskState::Failed, "{$bad->getMessage()} Nothing was changed.");
        } catch (DiedTwice) {
            TaskRun::end($this->taskId, TaskState::Failed, DiedTwice::WHY.' Nothing was changed.');
        }
        Storage::delete($this->stored);
    }

    private function add(LoadScheme $load, Task $task): void
    {
        $scheme = $load->add($task->user, $task->review, $this->title, (string) Storage::get($this->stored));
        $task->update(['url' => route('thesauri', [$task->review_id, 'scheme' => $scheme->id], false)]);
        $words = "Added “{$scheme->title}” with ".number_format($scheme->size).' headings.';
        TaskRun::end($task->id, TaskState::Done, $words, $scheme->size, $scheme->size);
    }

    public function failed(): void
    {
        TaskRun::fail($this->taskId, 'It could not be read, by an error of ours. Nothing was changed.');
        Storage::delete($this->stored);
    }
}
