<?php

declare(strict_types=1);

namespace App\Jobs\Screening;

use App\Database\Copy;
use App\Database\Locks;
use App\Database\Plans;
use App\Models\Ranking;
use App\Models\Stage;
use App\Queries\Shared\StageItems;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Ranking\NothingToLearn;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;
use WaryHeron\Core\Screening\Ranking\RelevanceModel;

/**
 * Puts what is left at a stage in order. It learns from what has opened only, so that no blinded decision shows in the
 * order.
 */
final class RankItems implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    private const PART = 2000;

    /** The latest so many are learned from; more change little and take longer. */
    private const LEARNED = 8000;

    /** So many are tried on fifths, to tell how well the order does. */
    private const TRIED = 1500;

    /** So few of either kind tell nothing. */
    public const LEAST = 5;

    private const TOO_LITTLE = 'There is too little to learn from: at least '.
        self::LEAST.
        ' included and '.
        self::LEAST.
        ' excluded publications have to be open. Until then it is read in order of delivery.';

    public int $tries = 3;

    public int $timeout = 900;

    /** @param  ?string  $taskId  null where nobody asked: enough has opened since the last time */
    public function __construct(public readonly string $stageId, public readonly ?string $taskId = null)
    {
        $this->onQueue('long');
    }

    public function taskId(): ?string
    {
        return $this->taskId;
    }

    public function handle(): void
    {
        $stage = Stage::query()->find($this->stageId);
        try {
            $task = $this->taskId === null ? null : TaskRun::begin($this->taskId, 'the order');
        } catch (DiedTwice) {
            $this->end(TaskState::Failed, DiedTwice::WHY.' Nothing was changed.');

            return;
        }
        if (
            $stage === null ||
            $stage->reading_order === ReadingOrder::Delivery ||
            ($this->taskId !== null && $task === null)
        ) {
            return;
        }
        Plans::knowTables(); // much has been decided since the last time
        try {
            $learned = $this->learned($stage);
        } catch (NothingToLearn) {
            $this->end(TaskState::Failed, self::TOO_LITTLE);

            return;
        }
        $scores = $this->scores($stage, $learned->model);
        if ($this->taskId !== null && ! TaskRun::isWanted($this->taskId)) {
            return;
        }
        DB::transaction(fn () => $this->keep($stage, $learned, $scores));
        $order = $stage->reading_order->label();
        $count = count($scores);
        $this->end(TaskState::Done, number_format($count)." publications are read {$order} from now on.", $count);
    }

    /** @throws NothingToLearn */
    private function learned(Stage $stage): LearnedOrder
    {
        $seed = crc32($stage->id) & 0x7FFFFFFF;
        if (! $stage->reading_order->learns()) {
            return new LearnedOrder($seed);
        }
        $judged = $this->judged($stage);
        [$texts, $included] = [$judged->texts, $judged->included];
        $tried = [array_slice($texts, 0, self::TRIED), array_slice($included, 0, self::TRIED)];

        return new LearnedOrder(
            $seed,
            RelevanceModel::learn($texts, $included, $seed),
            RelevanceModel::tried(...$tried, seed: $seed),
            count($texts),
            count(array_filter($included)),
        );
    }

    public function failed(): void
    {
        $this->end(TaskState::Failed, 'The order could not be made, by an error of ours. Nothing was changed.');
    }

    private function end(TaskState $state, string $message, ?int $count = null): void
    {
        if ($this->taskId !== null) {
            TaskRun::end($this->taskId, $state, $message, $count, $count);
        }
    }

    /** @throws NothingToLearn */
    private function judged(Stage $stage): JudgedTexts
    {
        $rows = StageItems::withPublications($stage)
            ->whereIn('items.state', [ItemState::Included->value, ItemState::Excluded->value])
            ->orderByDesc('items.opened_at')
            ->orderBy('items.id')
            ->limit(self::LEARNED)
            ->get(['title', 'abstract', 'state']);
        $rows = array_values($rows->all());
        $included = array_map(fn (stdClass $row): bool => $row->state === ItemState::Included->value, $rows);
        $yes = count(array_filter($included));
        if (min($yes, count($rows) - $yes) < self::LEAST) {
            throw new NothingToLearn('Too few of one kind have opened.');
        }

        return new JudgedTexts(array_map($this->text(...), $rows), $included);
    }

    /** @return array<string, float> what waits, by item, in order of delivery */
    private function scores(Stage $stage, ?RelevanceModel $model): array
    {
        $scores = [];
        $after = 0;
        do {
            $rows = StageItems::withPublications($stage)
                ->whereIn('items.state', [ItemState::Waiting->value, ItemState::Awaited->value])
                ->where('items.position', '>', $after)
                ->orderBy('items.position')
                ->limit(self::PART)
                ->get(['items.id', 'items.position', ...$model === null ? [] : ['title', 'abstract']])
                ->all();
            foreach ($rows as $row) {
                $scores[$row->id] = $model === null ? 0.0 : $model->score($this->text($row));
                $after = $row->position;
            }
        } while (count($rows) === self::PART);

        return $scores;
    }

    private function text(stdClass $row): string
    {
        return RelevanceModel::text($row->title, $row->abstract);
    }

    /** @param  array<string, float>  $scores */
    private function keep(Stage $stage, LearnedOrder $learned, array $scores): void
    {
        Locks::ranksOf($stage->id);
        $rows = $this->ranks($stage, $learned, $scores);
        Copy::into('item_ranks', ['review_id', 'stage_id', 'item_id', 'rank', 'score', 'drawn'], $rows);
        $ranking = Ranking::query()->create([
            'review_id' => $stage->review_id,
            'stage_id' => $stage->id,
            'reading_order' => $stage->reading_order,
            'random_percent' => $stage->random_percent,
            'seed' => $learned->seed,
            'judged' => $learned->judged,
            'included' => $learned->included,
            'ranked' => count($rows),
            'model' => $learned->model?->toArray(),
            'quality' => $learned->quality(),
        ]);
        // the models before are not kept, only what they were learned from
        Ranking::query()
            ->where('review_id', $stage->review_id)
            ->where('stage_id', $stage->id)
            ->whereNotNull('model')
            ->where('id', '<', $ranking->id)
            ->update(['model' => null]);
        Stage::query()
            ->whereKey($stage->id)
            ->update(['ranked' => true]);
    }

    /**
     * A check sample goes on being read first, and what came or went meanwhile is left alone.
     *
     * @param  array<string, float>  $scores
     * @return list<list<string|int|bool|null>> rows of what is now ranked; what was ranked before is gone
     */
    private function ranks(Stage $stage, LearnedOrder $learned, array $scores): array
    {
        $of = fn (string $table) => DB::table($table)->where('review_id', $stage->review_id)->where('stage_id', $stage->id);
        $of('item_ranks')->where('rank', '>=', Ranking::RANKED)->delete();
        $there = $of('items')->pluck('id')->flip()->all();
        $sampled = $of('item_ranks')->pluck('item_id')->flip()->all();
        $scores = array_diff_key(array_intersect_key($scores, $there), $sampled);
        $rows = [];
        $order = $stage->reading_order->arrange($scores, $stage->random_percent, $learned->seed);
        foreach ($order as $i => $one) {
            $score = $learned->model === null ? null : sprintf('%.5F', $scores[$one->id]);
            $rows[] = [$stage->review_id, $stage->id, $one->id, Ranking::RANKED + $i, $score, $one->isDrawn];
        }

        return $rows;
    }
}
