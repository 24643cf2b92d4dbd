<?php

declare(strict_types=1);

namespace App\Tasks;

use App\Models\Task;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What a task that has not begun waits for; of other reviews no more than that there is something. */
final class Waits
{
    /** What there are workers for, by queue; see setup/keep-worker.sh. */
    public const WORK = [
        'files' => 'file',
        'sources' => 'question to a database elsewhere',
        'long' => 'long computation',
        'default' => 'piece of quick work',
    ];

    public static function words(Task $task): string
    {
        $mine = DB::table('jobs')->where('task_id', $task->id)->orderBy('id')->first();
        if ($mine === null || $mine->reserved_at !== null) {
            return 'It is about to begin.';
        }
        if ($mine->available_at > now()->getTimestamp()) {
            return 'It is tried again in '.($mine->available_at - now()->getTimestamp()).' s.';
        }
        $before = self::before($mine, $task->review_id);

        return self::waitsFor((int) $before->all_, (int) $before->own, self::WORK[$mine->queue] ?? 'piece of work');
    }

    /** @return stdClass how many jobs come first, all_ and own: of the review */
    private static function before(stdClass $job, ?string $review): stdClass
    {
        return DB::table('jobs')
            ->where('queue', $job->queue)
            ->where('id', '<>', $job->id)
            ->where(fn ($first) => $first
                ->whereNotNull('reserved_at')
                ->orWhereRaw('(turn, id) < (?, ?)', [$job->turn, $job->id]))
            ->selectRaw('count(*) AS all_, count(*) FILTER (WHERE review_id = ?) AS own', [$review])
            ->sole();
    }

    private static function waitsFor(int $all, int $own, string $work): string
    {
        return match (true) {
            $all === 0 => 'It begins as soon as a worker is free.',
            $all === $own => "It waits for {$all} ".
                ($all === 1 ? "other {$work}" : "other {$work}s").
                ' of this review.',
            $own === 0 => "It waits for {$all} ".
                ($all === 1 ? "{$work} of another review." : "{$work}s of other reviews."),
            default => "It waits for {$all} {$work}s, {$own} of this review and ".($all - $own).' of others.',
        };
    }
}
