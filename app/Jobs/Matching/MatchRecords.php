<?php

declare(strict_types=1);

namespace App\Jobs\Matching;

use App\Database\Copy;
use App\Models\Matching;
use App\Queries\Matching\MatchInput;
use App\Tasks\DiedTwice;
use App\Tasks\OfTask;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Matching\Matcher;
use WaryHeron\Core\Matching\MatchResult;
use WaryHeron\Core\Matching\Pair;

/**
 * Compares all records of a review and keeps the pairs that weigh something. It joins nothing; done again, it finds the
 * same.
 */
final class MatchRecords implements OfTask, ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    /** Pairs that weigh less are not worth a place in the picture. */
    private const PAIR = ['matching_id', 'review_id', 'record_a', 'record_b', 'code', 'score', 'rarity', 'verdict'];

    private const FLOOR = -2.0;

    public int $tries = 20;

    public int $timeout = 900;

    public function __construct(public readonly string $matchingId, private readonly ?string $task = null)
    {
        $this->onQueue('long');
    }

    public function taskId(): ?string
    {
        return $this->task;
    }

    public function handle(): void
    {
        $matching = Matching::query()->find($this->matchingId);
        if ($matching === null || ! $matching->state->isUnderWay()) {
            return;
        }
        try {
            if (TaskRun::begin((string) $matching->task_id, 'the comparison') === null) {
                return;
            }
        } catch (DiedTwice) {
            $this->ended($matching, DiedTwice::WHY.' Nothing was changed.');

            return;
        }
        $matching->update(['state' => TaskState::Running]);
        $input = MatchInput::of($matching->review);
        $matcher = new Matcher($matching->review->matchSettings(), floor: self::FLOOR);
        $result = $matcher->match($input->prints, $input->same, $input->different);
        $count = count($input->prints);
        if (DB::transaction(fn (): bool => self::keep($matching, $result, $count))) {
            $words = 'Compared '.number_format($count).' records. None of these has been joined yet.';
            TaskRun::end((string) $matching->task_id, TaskState::Done, $words, $count, $count);
        }
    }

    /** Whether it was still wanted. */
    private static function keep(Matching $matching, MatchResult $result, int $records): bool
    {
        if (Matching::query()->lockForUpdate()->find($matching->id)?->state !== TaskState::Running) {
            return false; // cancelled on the way
        }
        self::keepPairs($matching, $result);
        $weights = $result->judge->weights;

        return $matching->update([
            'state' => TaskState::Done,
            'records' => $records,
            'weights' => ['chances' => $weights->chances, 'prior' => $weights->prior],
            'finished_at' => now(),
        ]);
    }

    private static function keepPairs(Matching $matching, MatchResult $result): void
    {
        DB::table('match_pairs')
            ->where('review_id', $matching->review_id)
            ->where('matching_id', $matching->id)
            ->delete();
        foreach (array_chunk($result->pairs, 2000) as $pairs) {
            $rows = array_map(fn (Pair $pair): array => self::row($matching, $result, $pair), $pairs);
            Copy::into('match_pairs', self::PAIR, $rows);
        }
    }

    /** @return list<string|int|null> of match_pairs */
    private static function row(Matching $matching, MatchResult $result, Pair $pair): array
    {
        return [
            $matching->id,
            $matching->review_id,
            $result->prints[$pair->a]->key,
            $result->prints[$pair->b]->key,
            $pair->comparison->code,
            sprintf('%.4F', $pair->score),
            $pair->rarity === null ? null : sprintf('%.4F', $pair->rarity),
            $result->judge->nature($pair->comparison, $pair->rarity !== null)->value,
        ];
    }

    public function failed(): void
    {
        $matching = Matching::query()->find($this->matchingId);
        if ($matching !== null && $matching->state->isUnderWay()) {
            $this->ended($matching, 'The comparison stopped by an error of ours. Nothing was changed; compare again.');
        }
    }

    private function ended(Matching $matching, string $why): void
    {
        $matching->update(['state' => TaskState::Failed, 'failure' => $why]);
        TaskRun::end((string) $matching->task_id, TaskState::Failed, $why);
    }
}
