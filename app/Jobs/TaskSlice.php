<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\WriteLog;
use App\Models\Delivery;
use App\Models\Task;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/**
 * Long work on a delivery, done in slices: each takes some seconds and queues the next, so that a worker killed at any moment
 * costs one batch that is then done again.
 */
abstract class TaskSlice implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 12.0;

    public int $tries = 20;

    public int $backoff = 2;

    public function __construct(public readonly string $deliveryId)
    {
    }

    public static function for(Delivery $delivery): self
    {
        return $delivery->kind === 'file' ? new DeliverFile($delivery->id) : new FetchRecords($delivery->id);
    }

    /** Does all of the work in this process, slice after slice, where no queue takes the slices that follow. */
    public static function runHere(Delivery $delivery): void
    {
        while ($delivery->refresh()->isUnderWay()) {
            app(Dispatcher::class)->dispatchNow(self::for($delivery));
        }
    }

    /** After the last try: it can be gone on with by hand, from where it stopped. */
    public function failed(): void
    {
        $delivery = Delivery::query()->find($this->deliveryId);
        if ($delivery?->isUnderWay() === true) {
            $this->end($delivery, 'failed', 'Stopped by an error of ours, which is written down for whoever runs this. '.number_format($delivery->kept).' records that were taken in before are kept.');
        }
    }

    protected function begin(): ?Delivery
    {
        $delivery = Delivery::query()->with('task')->find($this->deliveryId);
        if ($delivery === null || ! $delivery->isUnderWay()) {
            return null;
        }
        if ($delivery->state === 'queued') {
            $delivery->update(['state' => 'running']);
            $delivery->task->update(['state' => 'running', 'started_at' => $delivery->task->started_at ?? now()]);
        }

        return $delivery;
    }

    protected function deadline(): float
    {
        return microtime(true) + self::SECONDS;
    }

    protected function isCancelled(Delivery $delivery): bool
    {
        return Task::query()->whereKey($delivery->task_id)->whereNotNull('cancel_requested_at')->exists();
    }

    protected function progress(Delivery $delivery, ?int $total = null): void
    {
        Task::query()->whereKey($delivery->task_id)->update(['done' => $delivery->position] + ($total === null ? [] : ['total' => $total]));
    }

    protected function outcome(Delivery $delivery): string
    {
        return 'New publications: '.number_format($delivery->new).'. Already here: '.number_format($delivery->already_here).'. Rejected: '.number_format($delivery->rejected).'.';
    }

    protected function end(Delivery $delivery, string $state, string $message): void
    {
        $delivery->update(['state' => $state, 'failure' => $state === 'done' ? '' : $message, 'finished_at' => $state === 'done' ? now() : null]);
        Task::query()->whereKey($delivery->task_id)->update([
            'state' => match ($state) {
                'done' => 'done',
                'stopped' => 'cancelled',
                default => 'failed',
            },
            'done' => $delivery->position, 'message' => $message, 'finished_at' => now(),
        ]);
        app(WriteLog::class)($delivery->review_id, null, "delivery.{$state}", "The delivery from {$delivery->source_name} ended: {$message}", $delivery, $delivery->only('kept', 'rejected', 'already_here', 'new'));
    }
}
