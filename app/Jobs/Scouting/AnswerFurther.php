<?php

declare(strict_types=1);

namespace App\Jobs\Scouting;

use App\Models\CodebookItem;
use App\Models\FurtherQuestion;
use App\Models\ScoutedPaper;
use App\Models\Task;
use App\Queries\Scouting\PaperText;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Lead\Asked\AskedItem;
use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Coding\Lead\Asked\PlainItem;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\LeadFinder;
use WaryHeron\Core\Coding\Lead\Passages;

/** Looks in every paper that answers for something more, some seconds at a time; full texts where they are at hand. */
final class AnswerFurther implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const SECONDS = 12.0;

    private const TOGETHER = 10;

    public int $tries = 10;

    public int $backoff = 2;

    public function __construct(public readonly string $taskId, public readonly string $questionId)
    {
        $this->onQueue('files');
    }

    public function taskId(): string
    {
        return $this->taskId;
    }

    public function handle(LeadFinder $finder): void
    {
        $question = FurtherQuestion::query()->find($this->questionId);
        $task = TaskRun::take($this->taskId, 'reading');
        if ($task === null) {
            return;
        }
        if ($question === null) {
            TaskRun::end($this->taskId, TaskState::Cancelled, 'No longer asked.');

            return;
        }
        $item = self::item($question);
        $deadline = microtime(true) + self::SECONDS;
        do {
            $papers = self::unread($question);
            $this->read($finder, $item, $question, $papers);
            Task::query()->whereKey($task->id)->update(['done' => DB::raw('done + '.$papers->count())]);
        } while ($papers->isNotEmpty() && TaskRun::isWanted($this->taskId) && microtime(true) < $deadline);
        if ($papers->isNotEmpty() && TaskRun::isWanted($this->taskId)) {
            TaskRun::layDown($this->taskId);
            self::dispatch($this->taskId, $this->questionId);

            return;
        }
        $papers->isEmpty()
            ? TaskRun::end($this->taskId, TaskState::Done, 'Every paper that answers was read for it.')
            : TaskRun::end($this->taskId, TaskState::Cancelled, 'Stopped. What was found before is kept.');
    }

    public function failed(): void
    {
        TaskRun::fail(
            $this->taskId,
            'Stopped by an error of ours. What was found is kept; ask once more for the rest.',
        );
    }

    private static function item(FurtherQuestion $question): AskedItem
    {
        $code = $question->code_id === null
            ? null
            : CodebookItem::query()->where('review_id', $question->review_id)->find($question->code_id);

        return $code?->asked(otherwise: ItemType::Text) ?? PlainItem::of($question->label);
    }

    /** @return Collection<int, ScoutedPaper> the likeliest that were not read for it */
    private static function unread(FurtherQuestion $question): Collection
    {
        /** @var Collection<int, ScoutedPaper> */
        return ScoutedPaper::query()
            ->where('review_id', $question->review_id)
            ->where('scouting_id', $question->scouting_id)
            ->where('sentence', '<>', '')
            ->whereNull('thrown_out_at')
            ->when($question->only_of !== null, fn ($papers) => $papers->whereIn('id', $question->only_of ?? []))
            ->whereNotIn(
                'id',
                DB::table('further_answers')
                    ->where('review_id', $question->review_id)
                    ->where('further_question_id', $question->id)
                    ->select('scouted_paper_id'),
            )
            ->orderByDesc('score')
            ->orderBy('id')
            ->limit(self::TOGETHER)
            ->get();
    }

    /** @param  Collection<int, ScoutedPaper>  $papers */
    private function read(LeadFinder $finder, AskedItem $item, FurtherQuestion $question, Collection $papers): void
    {
        $rows = [];
        foreach (PaperText::of($question->review_id, $papers) as $id => $text) {
            $lead = $finder->leads([$item], Passages::of($text->paper))[$item->id] ?? null;
            $silent = $text->isWhole ? 'looked for in the whole paper' : 'not said in the abstract';
            $rows[] = [
                'review_id' => $question->review_id,
                'further_question_id' => $question->id,
                'scouted_paper_id' => $id,
                'value' => $lead->value ?? '',
                'unit' => mb_substr($lead->unit ?? '', 0, 60),
                'quote' => $lead->quote ?? '',
                'page' => $text->isWhole ? $lead?->page : null,
                'confidence' => ($lead?->confidence() ?? Confidence::Check)->value,
                'reason' => $lead->reason ?? $silent,
            ];
        }
        DB::table('further_answers')->insertOrIgnore($rows);
    }
}
