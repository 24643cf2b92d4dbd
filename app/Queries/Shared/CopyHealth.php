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

    public static function ready(): Readiness
    {
        try {
            $database = DB::scalar('SELECT 1') === 1;
            $beat = Cache::get(self::BEAT);
        } catch (\Throwable) {
            return new Readiness(database: false, storage: StoredCopy::canKeep(), workers: false);
        }

        return new Readiness(
            database: $database,
            storage: StoredCopy::canKeep(),
            workers: is_int($beat) && now()->getTimestamp() - $beat < self::SILENT,
        );
    }

    public static function beat(): void
    {
        Cache::put(self::BEAT, now()->getTimestamp(), self::SILENT);
    }

    public static function waiting(): WaitingWork
    {
        $now = now()->getTimestamp();
        if (config('queue.default') === 'redis') {
            $queues = array_keys(Waits::WORK);
            $oldest = array_filter(array_map(Queue::creationTimeOfOldestPendingJob(...), $queues));

            return new WaitingWork(array_sum(array_map(Queue::size(...), $queues)), $oldest === [] ? 0 : $now - min($oldest));
        }
        $row = DB::table('jobs')
            ->whereNull('reserved_at')
            ->where('available_at', '<=', $now)
            ->selectRaw('count(*) AS n, min(available_at) AS at')
            ->first();

        return new WaitingWork((int) ($row->n ?? 0), $row?->at === null ? 0 : $now - (int) $row->at);
    }

    public static function failedInADay(): int
    {
        return DB::table('tasks')->where('state', 'failed')->where('finished_at', '>', now()->subDay())->count();
    }

    /** @return list<Metric> of large tables about how many rows there are, as the planner knows them */
    public static function numbers(): array
    {
        $work = self::waiting();
        $size = (float) DB::scalar('SELECT pg_database_size(current_database())');
        $people = DB::table('users')->whereNull('removed_at')->count();

        return [
            new Metric('heron_reviews', 'reviews there are', DB::table('reviews')->count()),
            new Metric('heron_people', 'people who may sign in', $people),
            new Metric('heron_jobs_waiting', 'pieces of background work that wait', $work->pieces),
            new Metric('heron_jobs_oldest_seconds', 'for how long the oldest of them waits', $work->seconds),
            new Metric('heron_tasks_failed_day', 'background work that failed within a day', self::failedInADay()),
            new Metric('heron_database_bytes', 'what the database takes', $size),
            new Metric('heron_disk_free_bytes', 'what the disk has left', (float) disk_free_space(storage_path())),
            ...Replica::isThere() ? [self::behind()] : [],
            ...self::tables(),
        ];
    }

    private static function behind(): Metric
    {
        $about = 'of the log that the replica has still to take in; -1 where none answers';

        return new Metric('heron_replica_behind_bytes', $about, Replica::behind() ?? -1);
    }

    /** @return list<Metric> */
    private static function tables(): array
    {
        $of = fn (float $rows, string $table): Metric => new Metric("heron_{$table}_about", "rows of {$table}, about", $rows);

        return array_values(self::rows()->map($of)->all());
    }

    /** @return Collection<string, float> about how many rows the large tables have, by the statistics of the database */
    private static function rows(): Collection
    {
        return DB::table('pg_class AS part')
            ->leftJoin('pg_inherits', 'inhrelid', '=', 'part.oid')
            ->leftJoin('pg_class AS whole', 'whole.oid', '=', 'inhparent')
            ->where('part.relkind', 'r')
            ->whereRaw("coalesce(whole.relname, part.relname) IN ('publications', 'records', 'decisions', 'answers', 'log_entries')")
            ->selectRaw('coalesce(whole.relname, part.relname) AS name, sum(greatest(part.reltuples, 0)) AS n')
            ->groupByRaw('1')
            ->pluck('n', 'name')
            ->map(floatval(...));
    }
}
