<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Jobs\Drafting\MakeDraft;
use App\Models\Draft;
use App\Models\User;
use App\Tasks\TaskRun;

/** Sends the work on a draft into the background; what is under way takes a change along. */
final class RunDraft
{
    public function execute(User $by, Draft $draft): void
    {
        if (self::isUnderWay($draft)) {
            return;
        }
        $task = TaskRun::queue(
            $draft->review,
            $by->id,
            'draft',
            'Drafting a review from a question',
            self::url($draft),
        );
        MakeDraft::dispatch($task->id, $draft->id)->afterCommit();
    }

    public static function isUnderWay(Draft $draft): bool
    {
        return $draft->review->isAtWork('draft', self::url($draft));
    }

    public static function url(Draft $draft): string
    {
        return route('drafts.show', [$draft->review_id, $draft->id], false);
    }
}
