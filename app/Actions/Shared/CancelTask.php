<?php

declare(strict_types=1);

namespace App\Actions\Shared;

use App\Jobs\Deliveries\DeliverySlice;
use App\Models\Delivery;
use App\Models\Matching;
use App\Models\Task;
use App\Models\User;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Support\Facades\DB;

/**
 * Ends background work at once. A worker that has it in hand notices after the step it is at; what that step kept is
 * kept.
 */
final readonly class CancelTask
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Task $task): void
    {
        DB::transaction(function () use ($by, $task): void {
            $asked = Task::query()
                ->whereKey($task->id)
                ->whereIn('state', TaskState::underWay())
                ->whereNull('cancel_requested_at')
                ->update(['cancel_requested_at' => now()]);
            if ($asked === 0) {
                return;
            }
            ($this->log)($task->review_id, $by, 'task.cancelled', "Cancelled: {$task->title}", $task);
            DB::table('jobs')->where('task_id', $task->id)->whereNull('reserved_at')->delete();
            $delivery = Delivery::query()->with('task')->where('task_id', $task->id)->first();
            if ($delivery !== null) {
                DeliverySlice::for($delivery)->cancelled($delivery);

                return;
            }
            Matching::query()
                ->where('task_id', $task->id)
                ->whereIn('state', TaskState::underWay())
                ->update(['state' => 'failed', 'failure' => 'Cancelled. Nothing was changed.']);
            TaskRun::end($task->id, TaskState::Cancelled, 'Cancelled. What was done before stays.');
        });
    }
}
