<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Actions\WriteLog;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Asks background work to stop; it does so after the batch it is at. */
final readonly class CancelTask
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Task $task): void
    {
        DB::transaction(function () use ($by, $task): void {
            $asked = Task::query()->whereKey($task->id)->whereIn('state', ['queued', 'running'])->whereNull('cancel_requested_at')->update(['cancel_requested_at' => now()]);
            if ($asked > 0) {
                ($this->log)($task->review_id, $by, 'task.cancelled', "Cancelled: {$task->title}", $task);
            }
        });
    }
}
