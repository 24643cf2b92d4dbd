<?php

declare(strict_types=1);

namespace App\Jobs\Scouting;

use App\Actions\Drafting\StartDraft;
use App\Actions\Scouting\HearOthers;
use App\Actions\Scouting\KeepPapers;
use App\Actions\Scouting\LookIntoTexts;
use App\Models\Scouting;
use App\Models\Task;
use App\Queries\Scouting\Candidate;
use App\Queries\Scouting\LibraryCandidates;
use App\Queries\Scouting\ReviewFamilies;
use App\Queries\Scouting\SourceCandidates;
use App\Sources\SourceFailed;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use WaryHeron\Core\Scouting\Asked\QuestionStrategy;
use WaryHeron\Core\Scouting\Kin\Families;
use WaryHeron\Core\Scouting\Scout;

/**
 * Gathers what may answer a plain question, from the library first and then from each database, ranked anew after each
 * page so that the first can be read while others come. Killed, it begins again; what it kept is found again.
 */
final class GatherPapers implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $tries = 5;

    public int $backoff = 2;

    public function __construct(public readonly string $taskId, public readonly string $scoutingId)
    {
        $this->onQueue('sources');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(KeepPapers $keep, SourceCandidates $databases, LookIntoTexts $look, HearOthers $others, StartDraft $draft): void
    {
        $task = TaskRun::take($this->taskId, 'gathering');
        if ($task === null) {
            return;
        }
        $scouting = Scouting::query()->where('review_id', $task->review_id)->findOrFail($this->scoutingId);
        $families = ReviewFamilies::of($scouting->review, $scouting->question);
        $searches = QuestionStrategy::of((new Scout($families))->question($scouting->question));
        $library = LibraryCandidates::of($scouting->review, $searches, $scouting->depth);
        $candidates = $library->first;
        $found = [Scouting::LIBRARY => $library->count];
        $this->keep($keep, $scouting, $families, $candidates, $found);
        $trouble = [];
        foreach ($scouting->sources as $source) {
            try {
                $query = $databases->search($scouting->review, $source, $searches);
                $found[$source] = $query->count;
                $most = $query->text === '' ? 0 : min($scouting->depth, $query->count);
                foreach ($databases->pages($source, $query->text, $most) as $page) {
                    if (! TaskRun::isWanted($this->taskId)) {
                        TaskRun::end($this->taskId, TaskState::Cancelled, 'Stopped. What was read before is kept.');

                        return;
                    }
                    array_push($candidates, ...$page);
                    $this->keep($keep, $scouting, $families, $candidates, $found);
                }
            } catch (SourceFailed $failed) {
                $trouble[] = $failed->getMessage();
            }
        }
        $look->execute($scouting, $families);
        $trouble = array_filter([...$trouble, $others->execute($scouting, $families)]);
        $this->finish($scouting, $found, array_values($trouble), count($candidates));
        $draft->afterPapers($scouting);
    }

    public function failed(): void
    {
        TaskRun::fail(
            $this->taskId,
            'Stopped by an error of ours. What was read before is kept; ask again for the rest.',
        );
    }

    /**
     * @param  list<Candidate>  $candidates
     * @param  array<string, int>  $found
     */
    private function keep(
        KeepPapers $keep,
        Scouting $scouting,
        Families $families,
        array $candidates,
        array $found,
    ): void {
        $keep->execute($scouting, $families, $candidates);
        $scouting->update(['found' => $found]);
        Task::query()->whereKey($this->taskId)->update(['done' => count($candidates)]);
    }

    /**
     * @param  array<string, int>  $found
     * @param  list<string>  $trouble
     */
    private function finish(Scouting $scouting, array $found, array $trouble, int $read): void
    {
        $scouting->update(
            ['found' => $found, 'trouble' => implode(' ', $trouble), 'ran_at' => now(), 'runs' => $scouting->runs + 1],
        );
        TaskRun::end(
            $this->taskId,
            TaskState::Done,
            trim(number_format($read).' records read. '.implode(' ', $trouble)),
            $read,
        );
    }
}
