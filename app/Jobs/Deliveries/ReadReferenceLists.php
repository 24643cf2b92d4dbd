<?php

declare(strict_types=1);

namespace App\Jobs\Deliveries;

use App\Actions\Deliveries\TakeReferences;
use App\Actions\Shared\Refused;
use App\Models\Delivery;
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
use Illuminate\Support\Facades\DB;

/**
 * Takes the lists of references of papers, one after the other, some seconds at a time. Killed at any moment, it goes on
 * with the paper it had come to; a list that was delivered is not delivered again.
 */
final class ReadReferenceLists implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 12.0;

    /** So many reasons are told at the end. */
    private const REASONS = 4;

    public int $tries = 20;

    public int $backoff = 2;

    /**
     * @param  list<string>  $copies  those that are left
     * @param  int  $taken  lists that were delivered
     * @param  array<string, list<string>>  $lacking  reports as they are called, by why nothing was taken from them
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
            if ($i > 0 && microtime(true) > $deadline) {
                self::dispatch($this->taskId, array_slice($this->copies, $i), $taken, $lacking);

                return;
            }
            try {
                $task = TaskRun::begin($this->taskId, "paper {$id}");
                if ($task === null) {
                    $this->cancelled($taken, $lacking);

                    return;
                }
                $this->take($take, $task, $id);
                $taken++;
            } catch (Refused $refused) {
                $lacking[$refused->getMessage()][] = self::called($id);
            } catch (DiedTwice) {
                // what kills whoever reads it is passed over, like what has no list
                $lacking['It could not be read.'][] = self::called($id);
            }
            $left = count($this->copies) - $i - 1;
            Task::query()->whereKey($this->taskId)->update(['done' => DB::raw("total - {$left}")]);
            TaskRun::layDown($this->taskId);
        }
        TaskRun::end($this->taskId, TaskState::Done, self::outcome($taken, $lacking));
    }

    /** @param  array<string, list<string>>  $lacking */
    private function cancelled(int $taken, array $lacking): void
    {
        if (Task::query()->whereKey($this->taskId)->whereIn('state', TaskState::underWay())->exists()) {
            TaskRun::end($this->taskId, TaskState::Cancelled, 'Cancelled. '.self::outcome($taken, $lacking));
        }
    }

    public function failed(): void
    {
        TaskRun::fail(
            $this->taskId,
            'Stopped by an error of ours. What was delivered is kept; take the rest once more.',
        );
    }

    /** @throws Refused Where it says why nothing was taken. */
    private function take(TakeReferences $take, Task $task, string $id): void
    {
        $copy = FullText::query()->where('review_id', $task->review_id)->whereNull('taken_out_at')->find($id);
        // by this very work, which was killed before it could say so
        $wasTaken = Delivery::query()
            ->where('review_id', $task->review_id)
            ->where('full_text_id', $id)
            ->whereNull('withdrawn_at')
            ->where('created_at', '>=', $task->created_at)
            ->exists();
        if (! $wasTaken) {
            $copy === null ? throw new Refused('It is not here any more.') : $take->execute($task->user, $copy);
        }
    }

    private static function called(string $copy): string
    {
        return FullText::query()->with('publication')->find($copy)?->publication?->called() ?? '';
    }

    /** @param  array<string, list<string>>  $lacking */
    private static function outcome(int $taken, array $lacking): string
    {
        $said = 'Lists delivered: '.number_format($taken).'.';
        foreach (array_slice($lacking, 0, self::REASONS) as $why => $reports) {
            $shown = array_slice(array_filter($reports), 0, 5);
            $more = count($reports) > count($shown) ? ' and others' : '';
            $said .= ' Nothing from '.(implode(', ', $shown) ?: 'one')."{$more}: {$why}";
        }

        $others = count(array_merge(...array_values(array_slice($lacking, self::REASONS))));

        return $said.($others === 0 ? '' : ' Nothing from '.number_format($others).' others.');
    }
}
