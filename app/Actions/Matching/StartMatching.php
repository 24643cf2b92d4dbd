<?php

declare(strict_types=1);

namespace App\Actions\Matching;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Jobs\Matching\MatchRecords;
use App\Models\Matching;
use App\Models\Review;
use App\Models\User;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;

/** Hands the comparison of a review's records to the queue. It changes nothing until a person joins what it found. */
final readonly class StartMatching
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @throws Refused If one is under way. */
    public function execute(User $by, Review $review): Matching
    {
        return $review->whileLocked(function () use ($by, $review): Matching {
            if ($review->matchings()->whereIn('state', TaskState::underWay())->exists()) {
                throw new Refused('The records are being compared already.');
            }
            $task = TaskRun::queue(
                $review,
                $by->id,
                'matching',
                'Comparing all records',
                route('matching', $review, false),
            );
            $settings = $review->matchSettings()->toArray();
            $matching = $review->matchings()->create([
                'created_by' => $by->id,
                'task_id' => $task->id,
                'state' => TaskState::Queued,
                'settings' => $settings,
            ]);
            ($this->log)($review, $by, 'matching.started', 'Began to compare all records', $matching, $settings);
            dispatch(new MatchRecords($matching->id, $task->id));

            return $matching;
        });
    }
}
