<?php

declare(strict_types=1);

namespace App\Actions\Matching;

use App\Actions\Shared\WriteLog;
use App\Jobs\Matching\JoinCertain;
use App\Models\Matching;
use App\Models\Review;
use App\Models\Task;
use App\Models\User;
use App\Tasks\TaskRun;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Hands the joining of what is certain to the queue. */
final readonly class StartJoining
{
    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Review $review, Matching $matching): Task
    {
        return DB::transaction(function () use ($by, $review, $matching): Task {
            TaskRun::refuseTwice($review, 'joining', 'They are being joined already.');
            $task = TaskRun::queue(
                $review,
                $by->id,
                'joining',
                'Joining what is certain',
                route('matching.joined', $review, false),
            );
            ($this->log)($review, $by, 'matching.joined', 'Had the certain ones joined', $matching);
            dispatch(new JoinCertain($matching->id, $by->id, $task->id, strtolower((string) Str::ulid())));

            return $task;
        });
    }
}
