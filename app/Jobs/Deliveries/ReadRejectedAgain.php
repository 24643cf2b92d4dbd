<?php

declare(strict_types=1);

namespace App\Jobs\Deliveries;

use App\Actions\Deliveries\MendRejection;
use App\Models\Delivery;
use App\Models\Rejection;
use App\Models\Task;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Foundation\Queue\Queueable;

/**
 * Tries all rejected records of a delivery once more as they stand, in slices of some seconds: what is read today may
 * not have been then.
 */
final class ReadRejectedAgain implements OfTask, ShouldQueue
{
    use Dispatchable, Queueable;

    private const SECONDS = 10.0;

    public int $tries = 20;

    public function __construct(
        private readonly string $taskId,
        private readonly string $deliveryId,
        private readonly int $after = -1,
        private readonly int $taken = 0,
    ) {
        $this->onQueue('files')->afterCommit();
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(MendRejection $mend): void
    {
        $task = TaskRun::take($this->taskId, "record {$this->after}", self::told($this->taken));
        if ($task === null) {
            return;
        }
        $task->load('user');
        $delivery = Delivery::query()->findOrFail($this->deliveryId);
        [$after, $taken, $deadline] = [$this->after, $this->taken, microtime(true) + self::SECONDS];
        /** @var Rejection $rejection */
        foreach (
            $delivery
                ->rejections()
                ->whereNull('mended_at')
                ->where('position', '>', $after)
                ->orderBy('position')
                ->with('delivery')
                ->lazyById(200, 'position') as $rejection
        ) {
            $taken += $mend->asItStands($task->user, $rejection) ? 1 : 0;
            $after = $rejection->position;
            if (microtime(true) > $deadline) {
                $this->goOn($task, $after, $taken);

                return;
            }
        }
        $mend->logAll($task->user, $delivery, $taken);
        TaskRun::end($task->id, TaskState::Done, self::told($taken), $task->total, $task->total);
    }

    public function failed(): void
    {
        TaskRun::fail($this->taskId, 'Stopped by an error of ours; what was taken in before is kept.');
    }

    private function goOn(Task $task, int $after, int $taken): void
    {
        $task->update([
            'done' => Rejection::query()
                ->where('delivery_id', $this->deliveryId)
                ->where('position', '<=', $after)
                ->count(),
        ]);
        TaskRun::layDown($task->id);
        if (TaskRun::isWanted($task->id)) {
            self::dispatch($task->id, $this->deliveryId, $after, $taken);
        } else {
            TaskRun::end($task->id, TaskState::Cancelled, self::told($taken));
        }
    }

    private static function told(int $taken): string
    {
        return $taken === 0
            ? 'None of them can be read as it stands; mend them one by one.'
            : 'Taken in: '.number_format($taken).'.';
    }
}
