<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Jobs\Searches\RepeatSearch;
use App\Models\SearchRound;
use App\Models\StandingSearch;
use App\Models\Strategy;
use App\Models\User;
use App\Tasks\TaskRun;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Search\Standing\Every;

/** Has a strategy run again by itself, and begins each round of it. */
final readonly class SetStandingSearch
{
    public function __construct(private WriteLog $log)
    {
    }

    /** @param  list<string>  $people  among whom what is new is shared out; none: it waits as the stage is worked */
    public function set(
        User $by,
        Strategy $strategy,
        Every $every,
        CarbonImmutable $first,
        bool $joins,
        array $people,
    ): StandingSearch {
        return DB::transaction(function () use ($by, $strategy, $every, $first, $joins, $people): StandingSearch {
            $after = ['joins' => $joins, 'people' => $people];
            $standing = StandingSearch::query()->updateOrCreate(
                ['review_id' => $strategy->review_id, 'strategy_id' => $strategy->id],
                [...$after, 'every' => $every, 'next_at' => $first, 'set_by' => $by->id, 'ended_at' => null],
            );
            $words = "Had “{$strategy->name}” run {$every->label()}, from {$first->format('j F Y')}";
            ($this->log)($strategy->review_id, $by, 'search.standing', $words, $strategy, $after);

            return $standing;
        });
    }

    public function end(User $by, StandingSearch $standing): void
    {
        DB::transaction(function () use ($by, $standing): void {
            $standing->update(['ended_at' => now()]);
            $words = "No longer had “{$standing->strategy->name}” run by itself";
            ($this->log)($standing->review_id, $by, 'search.standing-ended', $words, $standing->strategy);
        });
    }

    /** @throws Refused If a round is under way. */
    public function begin(StandingSearch $standing, ?User $by = null): SearchRound
    {
        return DB::transaction(function () use ($standing, $by): SearchRound {
            $standing = $standing->locked();
            if ($standing->rounds()->whereNull('ended_at')->exists()) {
                throw new Refused('This search is being run already.');
            }
            $task = TaskRun::queue(
                $standing->review,
                $by->id ?? $standing->set_by,
                'standing-search',
                'Looking for what is new: '.mb_strimwidth($standing->strategy->name, 0, 60, '…'),
                route('strategies.standing', [$standing->review_id, $standing->strategy_id], false),
            );
            $round = SearchRound::query()->create([
                'review_id' => $standing->review_id,
                'standing_search_id' => $standing->id,
                'task_id' => $task->id,
                'step' => SearchRound::SEARCH,
                'began_at' => now(),
            ]);
            ($this->log)(
                $standing->review_id,
                $by,
                'search.round',
                "Looked for what is new by “{$standing->strategy->name}”",
                $standing->strategy,
            );
            RepeatSearch::dispatch($task->id, $round->id)->afterCommit();

            return $round;
        });
    }
}
