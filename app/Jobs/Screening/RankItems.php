<?php

declare(strict_types=1);

namespace App\Jobs\Screening;

use App\Database\Copy;
use App\Database\Locks;
use App\Models\Ranking;
use App\Models\Stage;
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
use WaryHeron\Core\Screening\Ranking\RankingQuality;
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
        $seed = crc32($stage->id) & 0x7FFFFFFF;
        try {
            [$judged, $included] = $stage->reading_order->learns() ? $this->judged($stage) : [[], []];
            $model = $stage->reading_order->learns() ? RelevanceModel::learn($judged, $included, $seed) : null;
        } catch (NothingToLearn) {
            $this->end(
                TaskState::Failed,
                'There is too little to learn from: at least '.
                    self::LEAST.
                    ' included and '.
                    self::LEAST.
                    ' excluded publications have to be open. Until then it is read in order of delivery.',
            );

            return;
        }
        $scores = $this->scores($stage, $model);
        $quality =
            $model === null
                ? null
                : RelevanceModel::tried(
                    array_slice($judged, 0, self::TRIED),
                    array_slice($included, 0, self::TRIED),
                    $seed,
                );
        if ($this->taskId !== null && ! TaskRun::isWanted($this->taskId)) {
            return;
        }
        $this->keep($stage, $model, $scores, $seed, count($judged), count(array_filter($included)), $quality);
        $this->end(
            TaskState::Done,
            number_format(count($scores)).
                ' publications are read '.
                $stage->reading_order->label().
                ' from now on.',
            count($scores),
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

    /**
     * @return array{list<string>, list<bool>} texts, and whether each was included
     *
     * @throws NothingToLearn
     */
    private function judged(Stage $stage): array
    {
        $rows = DB::table('items')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->where('items.review_id', $stage->review_id)
            ->where('items.stage_id', $stage->id)
            ->whereIn('items.state', [ItemState::Included->value, ItemState::Excluded->value])
            ->orderByDesc('items.opened_at')
            ->orderBy('items.id')
            ->limit(self::LEARNED)
            ->get(['title', 'abstract', 'state'])
            ->all();
        $included = array_map(
            fn (stdClass $row): bool => $row->state === ItemState::Included->value,
            array_values($rows),
        );
        $yes = count(array_filter($included));
        if (min($yes, count($included) - $yes) < self::LEAST) {
            throw new NothingToLearn('Too few of one kind have opened.');
        }

        return [array_map($this->text(...), array_values($rows)), $included];
    }

    /** @return array<string, float> what waits, by item, in order of delivery */
    private function scores(Stage $stage, ?RelevanceModel $model): array
    {
        $scores = [];
        $after = 0;
        do {
            $rows = DB::table('items')
                ->join('publications', 'publications.id', '=', 'items.publication_id')
                ->where('items.review_id', $stage->review_id)
                ->where('items.stage_id', $stage->id)
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
    private function keep(
        Stage $stage,
        ?RelevanceModel $model,
        array $scores,
        int $seed,
        int $judged,
        int $included,
        ?RankingQuality $quality,
    ): void {
        DB::transaction(function () use ($stage, $model, $scores, $seed, $judged, $included, $quality): void {
            Locks::ranksOf($stage->id);
            $ranks = fn () => DB::table('item_ranks')
                ->where('review_id', $stage->review_id)
                ->where('stage_id', $stage->id);
            $ranks()->where('rank', '>=', Ranking::RANKED)->delete();
            // a check sample goes on being read first, and what came or went meanwhile is left alone
            $there = array_flip(
                DB::table('items')
                    ->where('review_id', $stage->review_id)
                    ->where('stage_id', $stage->id)
                    ->pluck('id')
                    ->all(),
            );
            $scores = array_diff_key(
                array_intersect_key($scores, $there),
                array_flip($ranks()->pluck('item_id')->all()),
            );
            $rows = [];
            foreach ($stage->reading_order->arrange($scores, $stage->random_percent, $seed) as $i => [$item, $drawn]) {
                $rows[] = [
                    $stage->review_id,
                    $stage->id,
                    $item,
                    Ranking::RANKED + $i,
                    $model === null ? null : sprintf('%.5F', $scores[$item]),
                    $drawn,
                ];
            }
            Copy::into('item_ranks', ['review_id', 'stage_id', 'item_id', 'rank', 'score', 'drawn'], $rows);
            Ranking::query()->create([
                'review_id' => $stage->review_id,
                'stage_id' => $stage->id,
                'reading_order' => $stage->reading_order,
                'random_percent' => $stage->random_percent,
                'seed' => $seed,
                'judged' => $judged,
                'included' => $included,
                'ranked' => count($rows),
                'model' => $model?->toArray(),
                'quality' => $quality === null
                        ? null
                        : [
                            'tried' => $quality->all,
                            'wss95' => $quality->wss95(),
                            'k95' => $quality->k95(),
                            'recall10' => $quality->recallAt((int) ceil($quality->all / 10)),
                            'precision' => $quality->averagePrecision(),
                        ],
            ]);
            // the models before are not kept, only what they were learned from
            Ranking::query()
                ->where('review_id', $stage->review_id)
                ->where('stage_id', $stage->id)
                ->whereNotNull('model')
                ->where(
                    'id',
                    '<',
                    Ranking::query()->where('review_id', $stage->review_id)->where('stage_id', $stage->id)->max('id'),
                )
                ->update(['model' => null]);
            Stage::query()
                ->whereKey($stage->id)
                ->update(['ranked' => true]);
        });
    }
}
