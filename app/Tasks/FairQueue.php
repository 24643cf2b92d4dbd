<?php

declare(strict_types=1);

namespace App\Tasks;

use Illuminate\Contracts\Queue\Job;
use Illuminate\Database\Connection;
use Illuminate\Queue\DatabaseQueue;
use Illuminate\Queue\Jobs\DatabaseJobRecord;

/**
 * Jobs in the database, taken in turn: whoever has a hundred of them waiting has one place in each round, as has
 * whoever has one (start-time fair queueing, Goyal, Vin and Cheng 1996, with every job weighing the same).
 */
final class FairQueue extends DatabaseQueue
{
    /**
     * @param  string  $table
     * @param  string  $default
     * @param  int  $retryAfter
     * @param  bool  $dispatchAfterCommit
     * @param  int  $waitsMilliseconds  how long a worker that finds nothing waits to be told of a job; it needs a
     *     connection of its own for that
     */
    public function __construct(
        Connection $database,
        $table,
        $default = 'default',
        $retryAfter = 60,
        $dispatchAfterCommit = false,
        private readonly int $waitsMilliseconds = 0,
    ) {
        parent::__construct($database, $table, $default, $retryAfter, $dispatchAfterCommit);
    }

    /** @param  ?string  $queue */
    public function pop($queue = null): ?Job
    {
        $job = parent::pop($queue);
        $isTold = $job === null && $this->waitsMilliseconds > 0 && $this->isTold($this->getQueue($queue));

        return $isTold ? parent::pop($queue) : $job;
    }

    /** The wait is short all the same: what was put off comes by itself, without anything being told. */
    private function isTold(string $queue): bool
    {
        $this->database->unprepared("LISTEN \"jobs {$queue}\"");
        $connection = $this->database->getPdo();
        $told = 0; // of several at once all are heard, or each would be a look for nothing later
        while ($connection->pgsqlGetNotify(\PDO::FETCH_ASSOC, $told === 0 ? $this->waitsMilliseconds : 0) !== false) {
            $told++;
        }

        return $told > 0;
    }

    /**
     * @param  ?string  $queue
     * @param  string  $payload
     * @param  int  $availableAt
     * @param  int  $attempts
     * @return array<string, string|int|null>
     */
    protected function buildDatabaseRecord($queue, $payload, $availableAt, $attempts = 0): array
    {
        $task = json_decode($payload, true)['task'] ?? null;
        $review = $task === null ? null : $this->database->table('tasks')->where('id', $task)->value('review_id');

        return [
            ...parent::buildDatabaseRecord($queue, $payload, $availableAt, $attempts),
            'task_id' => $task,
            'review_id' => $review,
            'turn' => $this->turn((string) $queue, $review),
        ];
    }

    /** The round that is being served, or the one after the review's last place. */
    private function turn(string $queue, ?string $review): int
    {
        $jobs = fn () => $this->database->table($this->table)->where('queue', $queue);
        $served = (int) $jobs()->whereNull('reserved_at')->min('turn');
        $last = $review === null ? null : $jobs()->where('review_id', $review)->max('turn');

        return max($served, $last === null ? 0 : (int) $last + 1);
    }

    /**
     * One that dies comes back a round later, behind those that have not been tried.
     *
     * @param  DatabaseJobRecord  $job
     */
    protected function markJobAsReserved($job): DatabaseJobRecord
    {
        $this->database->table($this->table)->where('id', $job->__get('id'))->increment('turn');

        return parent::markJobAsReserved($job);
    }

    /** @param  ?string  $queue */
    protected function getNextAvailableJob($queue): ?DatabaseJobRecord
    {
        $job = $this->database
            ->table($this->table)
            ->lock($this->getLockForPopping())
            ->where('queue', $this->getQueue($queue))
            ->where(function ($either): void {
                $this->isAvailable($either);
                $this->isReservedButExpired($either);
            })
            ->orderBy('turn')
            ->orderBy('id')
            ->first();

        return $job === null ? null : new DatabaseJobRecord((object) $job);
    }
}
