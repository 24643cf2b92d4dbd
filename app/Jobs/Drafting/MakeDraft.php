<?php

declare(strict_types=1);

namespace App\Jobs\Drafting;

use App\Actions\Drafting\AnswerCriteria;
use App\Actions\Drafting\AskPapers;
use App\Actions\Drafting\ChoosePapers;
use App\Actions\Drafting\ComposeDraft;
use App\Actions\Drafting\EndDraft;
use App\Models\Draft;
use App\Models\Task;
use App\Queries\Drafting\DraftRecords;
use App\Queries\Scouting\ReviewFamilies;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/**
 * Drafts a review step by step, or again what a change of people's makes untrue: each step works out only what is not
 * there. Killed at any moment, it goes on where it was; papers are read some at a time, so that other work gets its turn.
 */
final class MakeDraft implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 12.0;

    /** Choosing, criteria, papers by criteria, full texts, text. */
    private const STEPS = 5;

    public int $tries = 40;

    public int $backoff = 2;

    /** @param  ?list<string>  $in  the papers that met the criteria before this run */
    public function __construct(
        public readonly string $taskId,
        public readonly string $draftId,
        public readonly ?array $in = null,
        public readonly ?float $began = null,
    ) {
        $this->onQueue('files');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(
        ChoosePapers $choose,
        AnswerCriteria $criteria,
        AskPapers $ask,
        ComposeDraft $compose,
        EndDraft $end,
    ): void {
        $task = TaskRun::take($this->taskId, 'drafting');
        if ($task === null) {
            return;
        }
        $draft = Draft::query()->where('review_id', $task->review_id)->findOrFail($this->draftId);
        $revision = $draft->revision;
        $began = $this->began ?? microtime(true);
        $in = $this->in ?? DraftRecords::in($draft);
        $families = ReviewFamilies::of($draft->review, $draft->scouting->question);
        $choose->execute($draft);
        $this->at(1);
        $criteria->propose($draft, $families);
        $criteria->ofAbstracts($draft, $families);
        $criteria->stand($draft);
        $this->at(2);
        $ask->choose($draft);
        $criteria->ofTexts($draft, $families);
        $criteria->stand($draft);
        $this->at(3);
        $ask->propose($draft, $families);
        if ($this->isLeft($draft, $ask)) {
            TaskRun::layDown($this->taskId);
            self::dispatch($this->taskId, $this->draftId, $in, $began);

            return;
        }
        if (! TaskRun::isWanted($this->taskId)) {
            TaskRun::end($this->taskId, TaskState::Cancelled, 'Stopped. What was drafted before is kept.');

            return;
        }
        $this->at(4);
        $sections = $compose->execute($draft);
        // somebody changed something while this ran
        if (! $end->execute($draft, $revision, $in, $sections, microtime(true) - $began)) {
            TaskRun::layDown($this->taskId);
            self::dispatch($this->taskId, $this->draftId, $in, $began);

            return;
        }
        TaskRun::end($this->taskId, TaskState::Done, 'The draft is there. All of it waits for people.', self::STEPS);
    }

    public function failed(): void
    {
        TaskRun::fail(
            $this->taskId,
            'Stopped by an error of ours. What was drafted before is kept; have it made again for the rest.',
        );
    }

    /** Reads for some seconds. */
    private function isLeft(Draft $draft, AskPapers $ask): bool
    {
        $deadline = microtime(true) + self::SECONDS;
        do {
            $isLeft = $ask->read($draft);
        } while ($isLeft && TaskRun::isWanted($this->taskId) && microtime(true) < $deadline);

        return $isLeft && TaskRun::isWanted($this->taskId);
    }

    private function at(int $step): void
    {
        Task::query()->whereKey($this->taskId)->update(['done' => $step, 'total' => self::STEPS]);
    }
}
