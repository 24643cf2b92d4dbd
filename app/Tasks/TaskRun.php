<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Actions\Shared\Refused;
use App\Models\Review;
use App\Models\Task;

/**
 * The life of a task: begun, taken in hand, laid down, ended. Whoever is killed while it is in hand has died at that
 * place.
 */
final class TaskRun
{
    /** So often may work die at one place before it is not tried again. */
    private const DEATHS = 2;

    /**
     * Of this kind of work a review has one at a time: whoever begins another meanwhile waits, and is refused.
     *
     * @throws Refused
     */
    public static function refuseTwice(Review $review, string $kind, string $words): void
    {
        $review->lock();
        $review->isAtWork($kind) && throw new Refused($words);
    }

    /** Work that somebody has begun; it waits until a job takes it in hand. */
    public static function queue(
        Review $review,
        ?string $by,
        string $kind,
        string $title,
        string $url,
        ?int $total = null,
    ): Task {
        return $review->tasks()->create([
            'user_id' => $by,
            'kind' => $kind,
            'title' => $title,
            'state' => TaskState::Queued,
            'total' => $total,
            'url' => $url,
        ]);
    }

    /**
     * Takes the task in hand at a place of its own naming, say the record it has come to.
     *
     * @return ?Task null if it is over, was cancelled, or is in nobody's hand any more
     *
     * @throws DiedTwice If it died here twice.
     */
    public static function begin(string $id, string $place): ?Task
    {
        $task = Task::query()->find($id);
        if ($task === null || ! $task->state->isUnderWay() || $task->cancel_requested_at !== null) {
            return null;
        }
        $deaths = match ($task->in_hand) {
            null => 0,
            $place => $task->deaths + 1,
            default => 1,
        };
        if ($deaths >= self::DEATHS) {
            throw new DiedTwice();
        }
        $task->update([
            'state' => TaskState::Running,
            'started_at' => $task->started_at ?? now(),
            'in_hand' => $place,
            'deaths' => $deaths,
        ]);

        return $task;
    }

    /**
     * Takes it in hand as above; one that died here twice is over, which is said.
     *
     * @param  string  $kept  what is left of it, in words
     */
    public static function take(string $id, string $place, string $kept = ''): ?Task
    {
        try {
            return self::begin($id, $place);
        } catch (DiedTwice) {
            self::fail($id, rtrim(DiedTwice::WHY." {$kept}"));

            return null;
        }
    }

    /** Tells how far it is, also from within a transaction that may write nothing or shows nothing before its end. */
    public static function tell(string $id, int $done, int $total): void
    {
        Task::on('beside')->whereKey($id)->update(['done' => $done, 'total' => $total]);
    }

    /** Until the next slice. */
    public static function layDown(string $id): void
    {
        Task::query()
            ->whereKey($id)
            ->update(['in_hand' => null, 'deaths' => 0]);
    }

    /** Whether it is still wanted; asked between two steps. */
    public static function isWanted(string $id): bool
    {
        return Task::query()
            ->whereKey($id)
            ->whereIn('state', TaskState::underWay())
            ->whereNull('cancel_requested_at')
            ->exists();
    }

    /** After an error of ours, unless it is over already. */
    public static function fail(string $id, string $message): void
    {
        if (Task::query()->whereKey($id)->whereIn('state', TaskState::underWay())->exists()) {
            self::end($id, TaskState::Failed, $message);
        }
    }

    public static function end(
        string $id,
        TaskState $state,
        string $message,
        ?int $done = null,
        ?int $total = null,
    ): void {
        Task::query()
            ->whereKey($id)
            ->update([
                'state' => $state,
                'message' => $message,
                'finished_at' => now(),
                'in_hand' => null,
                'deaths' => 0,
                'job' => null,
                ...array_filter(['done' => $done, 'total' => $total], fn (?int $n): bool => $n !== null),
            ]);
    }
}
