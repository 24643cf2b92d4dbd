<?php

declare(strict_types=1);

namespace App\Queries\Shared;

use App\Database\Replica;
use App\Files\StoredCopy;
use App\Tasks\Waits;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/** How a running copy is, in numbers that cost nothing to count. */
final class CopyHealth
{
    /** Under which a worker says that it is there, each minute. */
    public const BEAT = 'worker beat';

    /** A worker that has not been heard of for so long is not there. */
    private const SILENT = 300;

    /** @return array{database: bool, storage: bool, workers: bool} */
    public static function ready(): array
    {
        try {
            $database = DB::scalar('SELECT 1') === 1;
            $beat = Cache::get(self::BEAT);
        } catch (\Throwable) {
            return ['database' => false, 'storage' => StoredCopy::canKeep(), 'workers' => false];
        }

        return [
            'database' => $database,
            'storage' => StoredCopy::canKeep(),
            'workers' => is_int($beat) && now()->getTimestamp() - $beat < self::SILENT,
        ];
    }

    public static function beat(): void
    {
        Cache::put(self::BEAT, now()->getTimestamp(), self::SILENT);
    }

    /** @return array{int, int} pieces of background work that nobody has begun, and for how many seconds the oldest waits */
    public static function waiting(): array
    {
        $now = now()->getTimestamp();
        if (config('queue.default') === 'redis') {
            $queues = array_keys(Waits::WORK);
            $oldest = array_filter(array_map(Queue::creationTimeOfOldestPendingJob(...), $queues));

            return [array_sum(array_map(Queue::size(...), $queues)), $oldest === [] ? 0 : $now - min($oldest)];
        }
        $row = DB::table('jobs')
            ->whereNull('reserved_at')
            ->where('available_at', '<=', $now)
            ->selectRaw('count(*) AS n, min(available_at) AS at')
            ->first();

        return [(int) ($row->n ?? 0), $row?->at === null ? 0 : $now - (int) $row->at];
    }

    public static function failedInADay(): int
    {
        return DB::table('tasks')->where('state', 'failed')->where('finished_at', '>', now()->subDay())->count();
    }

    /** @return array<string, array{string, string, float}> kind, what it is, and its value, by name; large tables as the planner knows them */
    public static function numbers(): array
    {
        [$waiting, $seconds] = self::waiting();
        $numbers = [
            'heron_reviews' => ['gauge', 'reviews there are', (float) DB::table('reviews')->count()],
            'heron_people' => ['gauge', 'people who may sign in', (float) DB::table('users')->whereNull('removed_at')->count()],
            'heron_jobs_waiting' => ['gauge', 'pieces of background work that wait', (float) $waiting],
            'heron_jobs_oldest_seconds' => ['gauge', 'for how long the oldest of them waits', (float) $seconds],
            'heron_tasks_failed_day' => ['gauge', 'background work that failed within a day', (float) self::failedInADay()],
            'heron_database_bytes' => ['gauge', 'what the database takes', (float) DB::scalar('SELECT pg_database_size(current_database())')],
            'heron_disk_free_bytes' => ['gauge', 'what the disk has left', (float) disk_free_space(storage_path())],
        ];
        if (Replica::isThere()) {
            $numbers['heron_replica_behind_bytes'] = ['gauge', 'of the log that the replica has still to take in; -1 where none answers', (float) (Replica::behind() ?? -1)];
        }
        foreach (self::rows() as $table => $estimate) {
            $numbers["heron_{$table}_about"] = ['gauge', "rows of {$table}, about", max(0.0, (float) $estimate)];
        }

        return $numbers;
    }

    /** @return Collection<array-key, mixed> about how many rows the large tables have, by the statistics of the database */
    private static function rows(): Collection
    {
        return DB::table('pg_class AS part')
            ->leftJoin('pg_inherits', 'inhrelid', '=', 'part.oid')
            ->leftJoin('pg_class AS whole', 'whole.oid', '=', 'inhparent')
            ->where('part.relkind', 'r')
            ->whereRaw("coalesce(whole.relname, part.relname) IN ('publications', 'records', 'decisions', 'answers', 'log_entries')")
            ->selectRaw('coalesce(whole.relname, part.relname) AS name, sum(greatest(part.reltuples, 0)) AS n')
            ->groupByRaw('1')
            ->pluck('n', 'name');
    }
}
