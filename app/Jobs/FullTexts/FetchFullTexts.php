<?php

declare(strict_types=1);

namespace App\Jobs\FullTexts;

use App\Actions\FullTexts\AddFullText;
use App\Actions\Shared\Refused;
use App\Models\Publication;
use App\Models\Retrieval;
use App\Models\Task;
use App\Sources\FullTextLocker;
use App\Sources\SourceFailed;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use WaryHeron\Core\FullText\RetrievalState;

/**
 * Asks the locker for one text after the other, some seconds at a time. Killed at any moment, those not yet answered
 * are asked again.
 */
final class FetchFullTexts implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 12.0;

    private const RETRIES = 4;

    public int $tries = 20;

    public int $backoff = 2;

    /** @param  list<string>  $publications */
    public function __construct(
        public readonly string $taskId,
        public readonly array $publications,
        public readonly int $failures = 0,
    ) {
        $this->onQueue('sources');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(FullTextLocker $locker, AddFullText $add): void
    {
        try {
            $task = TaskRun::begin($this->taskId, 'text '.Task::query()->whereKey($this->taskId)->value('done'));
        } catch (DiedTwice) {
            $task = Task::query()->findOrFail($this->taskId);
            $this->end($task, TaskState::Failed, DiedTwice::WHY.' Ask again for the rest later.');

            return;
        }
        if ($task === null) {
            return;
        }
        $task->load('review.stages', 'user');
        $deadline = microtime(true) + self::SECONDS;
        foreach ($this->left($task) as $publication) {
            if (! TaskRun::isWanted($task->id)) {
                $this->end($task, TaskState::Cancelled, 'Cancelled. '.$this->outcome($task));

                return;
            }
            if (microtime(true) > $deadline) {
                TaskRun::layDown($task->id);
                self::dispatch($this->taskId, $this->publications);

                return;
            }
            try {
                $this->fetch($task, $publication, $locker, $add);
            } catch (SourceFailed $failed) {
                $this->stopped($task, $failed);

                return;
            }
            $task->update(['done' => $task->done + 1]);
        }
        $this->end($task, TaskState::Done, $this->outcome($task));
    }

    private function stopped(Task $task, SourceFailed $failed): void
    {
        if (! $failed->mayPass || $this->failures >= self::RETRIES) {
            $words = "{$failed->getMessage()} {$this->outcome($task)} Ask again for the rest later.";
            $this->end($task, TaskState::Failed, $words);

            return;
        }
        TaskRun::layDown($task->id);
        $task->update(['message' => "{$failed->getMessage()} Trying again in a moment."]);
        $again = new self($this->taskId, $this->publications, $this->failures + 1);
        dispatch($again)->delay(2 ** ($this->failures + 1));
    }

    public function failed(): void
    {
        $task = Task::query()->find($this->taskId);
        if ($task !== null && $task->state->isUnderWay()) {
            $this->end($task, TaskState::Failed, "Stopped by an error of ours. {$this->outcome($task)} Ask again for the rest.");
        }
    }

    /** @return iterable<Publication> those without an answer since this was begun */
    private function left(Task $task): iterable
    {
        $answered = Retrieval::query()
            ->where('review_id', $task->review_id)
            ->whereIn('publication_id', $this->publications)
            ->where('task_id', $task->id)
            ->pluck('publication_id')
            ->all();
        $left = array_values(array_diff($this->publications, $answered));
        $task->update(['done' => count($answered)]);
        foreach (array_chunk($left, 200) as $part) {
            yield from Publication::query()
                ->with('review.stages')
                ->whereKey($part)
                ->whereNull('removed_at')
                ->orderBy('id')
                ->get();
        }
    }

    /** @throws SourceFailed If the locker cannot be asked. */
    private function fetch(Task $task, Publication $publication, FullTextLocker $locker, AddFullText $add): void
    {
        $answer = '';
        try {
            $pdf = $locker->pdf($publication->doi);
            $path = (string) tempnam(sys_get_temp_dir(), 'heron');
            try {
                file_put_contents($path, $pdf);
                $add->execute(
                    $task->user,
                    $publication->review,
                    $path,
                    str_replace('/', '-', $publication->doi).'.pdf',
                    $publication,
                    'locker',
                );
            } catch (Refused $refused) {
                $answer = $refused->getMessage();
            } finally {
                @unlink($path);
            }
        } catch (SourceFailed $failed) {
            if ($failed->mayPass) {
                throw $failed;
            }
            $answer = $failed->getMessage();
        }
        $now = now();
        $retrieval = Retrieval::query()->firstOrCreate(
            ['review_id' => $publication->review_id, 'publication_id' => $publication->id],
            ['state' => RetrievalState::Sought, 'dated' => $now],
        );
        $retrieval->update([
            'locker_answer' => mb_substr($answer, 0, 300),
            'locker_asked_at' => $now,
            'task_id' => $task->id,
        ]);
    }

    private function outcome(Task $task): string
    {
        $asked = Retrieval::query()
            ->where('review_id', $task->review_id)
            ->whereIn('publication_id', $this->publications)
            ->where('task_id', $task->id);
        $came = (clone $asked)->where('locker_answer', '')->count();

        return 'Copies that came: '.
            number_format($came).
            '. Without a copy there: '.
            number_format($asked->count() - $came).
            '.';
    }

    private function end(Task $task, TaskState $state, string $message): void
    {
        TaskRun::end($task->id, $state, $message);
    }
}
