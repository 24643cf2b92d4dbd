<?php

declare(strict_types=1);

namespace App\Jobs\Deliveries;

use App\Actions\Deliveries\TakeReferences;
use App\Actions\Shared\Refused;
use App\Models\FullText;
use App\Models\Task;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/**
 * Takes the lists of references of papers, one after the other, some seconds at a time. Killed at any moment, it goes on
 * with the paper it had come to; a list that was delivered is not delivered again.
 */
final class ReadReferenceLists implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 12.0;

    public int $tries = 20;

    public int $backoff = 2;

    /**
     * @param  list<string>  $copies  those that are left
     * @param  int  $taken  lists that were delivered
     * @param  list<string>  $lacking  reports in which none was found, as they are called
     */
    public function __construct(
        public readonly string $taskId,
        public readonly array $copies,
        public readonly int $taken = 0,
        public readonly array $lacking = [],
    ) {
        $this->onQueue('files');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(TakeReferences $take): void
    {
        $deadline = microtime(true) + self::SECONDS;
        [$taken, $lacking] = [$this->taken, $this->lacking];
        foreach ($this->copies as $i => $id) {
            try {
                $task = TaskRun::begin($this->taskId, "paper {$id}");
            } catch (DiedTwice) {
                // the paper on which it died is passed over
                self::dispatch($this->taskId, array_slice($this->copies, $i + 1), $taken, [...$lacking, self::called($id)]);
                TaskRun::layDown($this->taskId);

                return;
            }
            if ($task === null) {
                return;
            }
            if ($i > 0 && microtime(true) > $deadline) {
                TaskRun::layDown($this->taskId);
                self::dispatch($this->taskId, array_slice($this->copies, $i), $taken, $lacking);

                return;
            }
            $this->isTaken($take, $task, $id) ? $taken++ : $lacking[] = self::called($id);
            $task->update(['done' => $task->done + 1]);
        }
        TaskRun::end($this->taskId, TaskState::Done, self::outcome($taken, $lacking));
    }

    public function failed(): void
    {
        TaskRun::fail($this->taskId, 'Stopped by an error of ours. What was delivered is kept; take the rest once more.');
    }

    private function isTaken(TakeReferences $take, Task $task, string $id): bool
    {
        $copy = FullText::query()->where('review_id', $task->review_id)->whereNull('taken_out_at')->find($id);
        try {
            $copy === null ? throw new Refused('It is not here any more.') : $take->execute($task->user, $copy);

            return true;
        } catch (Refused) {
            return false;
        }
    }

    private static function called(string $copy): string
    {
        return FullText::query()->with('publication')->find($copy)?->publication?->called() ?? '';
    }

    /** @param  list<string>  $lacking */
    private static function outcome(int $taken, array $lacking): string
    {
        $shown = array_slice(array_filter($lacking), 0, 5);
        $more = count($lacking) > count($shown) ? ' and others' : '';

        return 'Lists delivered: '.number_format($taken).'.'
            .($lacking === [] ? '' : ' Nothing new was found in '.(implode(', ', $shown) ?: 'others')."{$more}.");
    }
}
