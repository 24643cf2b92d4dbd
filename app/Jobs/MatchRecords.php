<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Matching;
use App\Models\Task;
use App\Queries\MatchInput;
use App\Support\Copy;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Matching\Matcher;
use WaryHeron\Core\Matching\Pair;

/** Compares all records of a review and keeps the pairs that weigh something. It joins nothing; done again, it finds the same. */
final class MatchRecords implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    /** Pairs that weigh less are not worth a place in the picture. */
    private const FLOOR = -2.0;

    public int $tries = 20;

    public int $timeout = 900;

    public function __construct(public readonly string $matchingId)
    {
    }

    public function handle(): void
    {
        $matching = Matching::query()->find($this->matchingId);
        if ($matching === null || ! in_array($matching->state, ['queued', 'running'], true)) {
            return;
        }
        $matching->update(['state' => 'running']);
        Task::query()->whereKey($matching->task_id)->update(['state' => 'running', 'started_at' => now()]);
        $input = MatchInput::of($matching->review);
        $result = (new Matcher($matching->review->matchSettings(), floor: self::FLOOR))->match($input->prints, $input->same, $input->different);
        $judge = $result->judge;
        DB::transaction(function () use ($matching, $result, $judge, $input): void {
            DB::table('match_pairs')->where('review_id', $matching->review_id)->where('matching_id', $matching->id)->delete();
            foreach (array_chunk($result->pairs, 2000) as $pairs) {
                Copy::into('match_pairs', ['matching_id', 'review_id', 'record_a', 'record_b', 'code', 'score', 'rarity', 'verdict'], array_map(fn (Pair $pair): array => [
                    $matching->id, $matching->review_id, $result->prints[$pair->a]->key, $result->prints[$pair->b]->key, $pair->comparison->code,
                    sprintf('%.4F', $pair->score), $pair->rarity === null ? null : sprintf('%.4F', $pair->rarity), $judge->nature($pair->comparison, $pair->rarity !== null)->value,
                ], $pairs));
            }
            $matching->update(['state' => 'done', 'records' => count($input->prints), 'weights' => ['chances' => $judge->weights->chances, 'prior' => $judge->weights->prior], 'finished_at' => now()]);
        });
        Task::query()->whereKey($matching->task_id)->update(['state' => 'done', 'done' => count($input->prints), 'total' => count($input->prints), 'finished_at' => now(), 'message' => 'Compared '.number_format(count($input->prints)).' records. Nothing has been joined yet.']);
    }

    public function failed(): void
    {
        Matching::query()->whereKey($this->matchingId)->whereIn('state', ['queued', 'running'])->update(['state' => 'failed', 'failure' => 'Stopped by an error of ours. Nothing was changed; compare again.']);
        Task::query()->whereKey(Matching::query()->whereKey($this->matchingId)->value('task_id'))->update(['state' => 'failed', 'finished_at' => now(), 'message' => 'The comparison stopped by an error of ours. Nothing was changed.']);
    }
}
