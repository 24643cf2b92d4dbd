<?php

declare(strict_types=1);

namespace App\Jobs\Deliveries;

use App\Actions\Shared\WriteLog;
use App\Jobs\Searches\FetchRecords;
use App\Models\Delivery;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Bus\Dispatcher;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/**
 * Long work on a delivery, done in slices: each takes some seconds and queues the next, so that a worker killed at
 * any moment costs one batch that is then done again.
 */
abstract class DeliverySlice implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 12.0;

    protected const QUEUE = 'files';

    public int $tries = 20;

    public int $backoff = 2;

    public function __construct(public readonly string $deliveryId, private readonly ?string $task = null)
    {
        $this->onQueue(static::QUEUE);
    }

    public static function for(Delivery $delivery): self
    {
        return match (true) {
            $delivery->kind !== 'file' => new FetchRecords($delivery->id, $delivery->task_id),
            $delivery->state === 'looking' => new LookAtTable($delivery->id, $delivery->task_id),
            default => new DeliverFile($delivery->id, $delivery->task_id),
        };
    }

    public function taskId(): ?string
    {
        return $this->task;
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
            $this->end(
                $delivery,
                'failed',
                'Stopped by an error of ours, which is written down for whoever runs this. '.
                    $this->keptBefore($delivery),
            );
        }
    }

    /**
     * Takes the work in hand; null where nothing is to be done, since it is over, was cancelled, or died here twice.
     */
    protected function begin(): ?Delivery
    {
        $delivery = Delivery::query()->with('task')->find($this->deliveryId);
        if ($delivery === null || ! $delivery->isUnderWay()) {
            return null;
        }
        try {
            if (TaskRun::begin((string) $delivery->task_id, "record {$delivery->position}") === null) {
                return null;
            }
        } catch (DiedTwice) {
            $after = number_format($delivery->position);
            $this->end(
                $delivery,
                'failed',
                DiedTwice::WHY." It had come to record {$after}. ".$this->keptBefore($delivery),
            );

            return null;
        }
        if ($delivery->state === 'queued') {
            $delivery->update(['state' => 'running']);
        }

        return $delivery;
    }

    /** Hands the rest to the next slice. */
    protected function goOn(Delivery $delivery): void
    {
        TaskRun::layDown((string) $delivery->task_id);
        dispatch(self::for($delivery));
    }

    /** Ends the work as its people asked; what was taken in stays. */
    public function cancelled(Delivery $delivery): void
    {
        $this->end($delivery, 'stopped', 'Cancelled. '.$this->keptBefore($delivery));
    }

    protected function keptBefore(Delivery $delivery): string
    {
        return number_format($delivery->kept).' records that were taken in before are kept.';
    }

    protected function deadline(): float
    {
        return microtime(true) + self::SECONDS;
    }

    protected function isCancelled(Delivery $delivery): bool
    {
        return ! TaskRun::isWanted((string) $delivery->task_id);
    }

    protected function progress(Delivery $delivery, ?int $total = null): void
    {
        $delivery->task->update(['done' => $delivery->position] + ($total === null ? [] : ['total' => $total]));
    }

    protected function outcome(Delivery $delivery): string
    {
        return 'New publications: '.
            number_format($delivery->new).
            '. Already here: '.
            number_format($delivery->already_here).
            '. Rejected: '.
            number_format($delivery->rejected).
            '.';
    }

    /** Said once, though the work itself may notice later than whoever cancelled it. */
    public function end(Delivery $delivery, string $state, string $message): void
    {
        $known = $delivery->state === $state;
        $delivery->update([
            'state' => $state,
            'failure' => $state === 'done' ? '' : $message,
            'finished_at' => $state === 'done' ? now() : null,
        ]);
        $how = match ($state) {
            'done' => TaskState::Done,
            'stopped' => TaskState::Cancelled,
            default => TaskState::Failed,
        };
        TaskRun::end((string) $delivery->task_id, $how, $message, $delivery->position);
        if (! $known) {
            $words = "The delivery from {$delivery->source_name} ended: {$message}";
            $counts = $delivery->only('kept', 'rejected', 'already_here', 'new');
            app(WriteLog::class)($delivery->review_id, null, "delivery.{$state}", $words, $delivery, $counts);
        }
    }
}
