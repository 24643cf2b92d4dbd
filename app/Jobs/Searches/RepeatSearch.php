<?php

declare(strict_types=1);

namespace App\Jobs\Searches;

use App\Actions\Searches\SearchRoundSteps;
use App\Actions\Shared\TellPeople;
use App\Models\SearchRound;
use App\Models\Task;
use App\Notices\NoticeKind;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Str;

/** A round of a standing search, a step at a time; while it waits for work elsewhere, it holds no worker. */
final class RepeatSearch implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const WAIT = 4;

    /** A round that has waited for so long is given up: a day. */
    private const HOURS = 24;

    private const STEPS = [
        SearchRound::SEARCH,
        SearchRound::FETCH,
        SearchRound::MATCH,
        SearchRound::JOIN,
        SearchRound::SHARE,
    ];

    public int $tries = 5;

    public int $backoff = 5;

    public function __construct(public readonly string $taskId, public readonly string $roundId)
    {
        $this->onQueue('sources');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(SearchRoundSteps $steps, TellPeople $tell): void
    {
        $round = SearchRound::query()->findOrFail($this->roundId);
        try {
            $task = TaskRun::begin($this->taskId, $round->step);
        } catch (DiedTwice) {
            $this->give($round, DiedTwice::WHY);

            return;
        }
        if ($task === null) {
            $this->give($round, 'Stopped by a person.');

            return;
        }
        if ($round->began_at->lt(now()->subHours(self::HOURS))) {
            $this->give($round, 'It waited for a day for work that did not end.');

            return;
        }
        $next = $steps->execute($round);
        $isSame = $next === $round->step;
        $round->update(['step' => $next]);
        $done = array_search($next, self::STEPS, true);
        Task::query()->whereKey($task->id)->update([
            'done' => $done === false ? count(self::STEPS) : $done,
            'total' => count(self::STEPS),
        ]);
        TaskRun::layDown($task->id);
        if ($next === SearchRound::DONE) {
            $this->finish($round, $tell);

            return;
        }
        $again = self::dispatch($this->taskId, $this->roundId);
        $isSame && $again->delay(self::WAIT);
    }

    public function failed(): void
    {
        $this->give(SearchRound::query()->findOrFail($this->roundId), 'Stopped by an error of ours.');
    }

    private function give(SearchRound $round, string $why): void
    {
        TaskRun::fail($this->taskId, "{$why} What was fetched before is kept.");
        $round->update([
            'step' => SearchRound::DONE,
            'ended_at' => $round->ended_at ?? now(),
            'trouble' => trim("{$round->trouble} {$why}"),
        ]);
    }

    private function finish(SearchRound $round, TellPeople $tell): void
    {
        $round->update(['ended_at' => now()]);
        $standing = $round->standing;
        $what = $round->records === 0
            ? 'nothing new'
            : number_format($round->records).' new '.Str::plural('record', $round->records).', '.
                number_format($round->publications).' new '.Str::plural('publication', $round->publications);
        TaskRun::end($this->taskId, TaskState::Done, Str::ucfirst("{$what}. {$round->trouble}"));
        if ($round->records > 0 || $round->trouble !== '') {
            $tell(
                array_values(array_unique([$standing->set_by, ...$standing->review->leads()])),
                NoticeKind::Found,
                $standing->review,
                trim("“{$standing->strategy->name}” brought {$what}. {$round->trouble}"),
                route('strategies.standing', [$standing->review_id, $standing->strategy_id], false)."#round-{$round->id}",
            );
        }
    }
}
