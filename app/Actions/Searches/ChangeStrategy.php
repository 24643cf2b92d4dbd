<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Review;
use App\Models\Strategy;
use App\Models\StrategyRevision;
use App\Models\StrategyVersion;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WaryHeron\Core\Search\Strategy\BadStrategy;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;
use WaryHeron\Core\Search\Strategy\StrategyChange;
use WaryHeron\Core\Search\Strategy\StrategyLine;

/** Every change of a strategy adds a revision; undo and redo only show another one. */
final readonly class ChangeStrategy
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  list<string>  $sources
     * @param  list<string>  $blocks  names of concepts to start with
     */
    public function create(
        User $by,
        Review $review,
        string $name,
        array $sources,
        array $blocks = [],
        ?Lines $content = null,
    ): Strategy {
        return DB::transaction(function () use ($by, $review, $name, $sources, $blocks, $content): Strategy {
            $name = $this->toldApart($review, $name);
            $strategy = $review
                ->strategies()
                ->create(['name' => $name, 'sources' => $sources, 'head' => 1, 'created_by' => $by->id]);
            $content ??= new Lines(
                array_map(fn (string $block): StrategyLine => new StrategyLine($this->newId(), '', $block), $blocks),
            );
            $this->add($by, $strategy, 1, null, $content, 'Began the strategy');
            ($this->log)($review, $by, 'strategy.began', "Began the strategy “{$name}”", $strategy);

            return $strategy;
        });
    }

    /** A name that no strategy of this review has yet. */
    private function toldApart(Review $review, string $name): string
    {
        $names = $review->strategies()->pluck('name')->flip();
        for ($number = 2, $free = $name; isset($names[$free]); $number++) {
            $free = mb_substr($name, 0, 110).", {$number}";
        }

        return $free;
    }

    /** Puts a strategy away, or brings it back; its versions and runs stay as they are. */
    public function archive(User $by, Strategy $strategy, bool $away): void
    {
        DB::transaction(function () use ($by, $strategy, $away): void {
            $strategy->update(['archived_at' => $away ? now() : null]);
            ($this->log)(
                $strategy->review_id,
                $by,
                $away ? 'strategy.archived' : 'strategy.brought-back',
                ($away ? 'Put the strategy away: ' : 'Brought the strategy back: ')."“{$strategy->name}”",
                $strategy,
            );
        });
    }

    /** @param  list<string>  $sources */
    public function settings(User $by, Strategy $strategy, string $name, array $sources): void
    {
        DB::transaction(function () use ($by, $strategy, $name, $sources): void {
            $before = $strategy->only('name', 'sources');
            $strategy->update(['name' => $name, 'sources' => $sources]);
            ($this->log)(
                $strategy->review_id,
                $by,
                'strategy.settings',
                "Changed the name or the databases of the strategy “{$name}”",
                $strategy,
                ['before' => $before, 'after' => ['name' => $name, 'sources' => $sources]],
            );
        });
    }

    /**
     * @param  int  $base  the revision that the person was looking at
     * @param  array<string, mixed>  $with
     *
     * @throws BadStrategy If it cannot be done.
     * @throws Refused If somebody else was faster.
     */
    public function execute(User $by, Strategy $strategy, int $base, string $change, array $with): StrategyRevision
    {
        return DB::transaction(function () use ($by, $strategy, $base, $change, $with): StrategyRevision {
            $strategy = $this->locked($strategy, $base);
            $changed = StrategyChange::apply(
                $this->revision($strategy, $base)->strategy(),
                $change,
                $with,
                $this->newId(...),
            );
            $number = 1 + (int) $strategy->revisions()->max('number');
            $revision = $this->add($by, $strategy, $number, $base, $changed->strategy, $changed->words);
            $strategy->update(['head' => $number]);

            return $revision;
        });
    }

    public function undo(Strategy $strategy, int $base): StrategyRevision
    {
        return DB::transaction(function () use ($strategy, $base): StrategyRevision {
            $strategy = $this->locked($strategy, $base);
            $before = $this->revision($strategy, $base)->after ?? throw new Refused('There is nothing to undo.');
            $strategy->update(['head' => $before]);

            return $this->revision($strategy, $before);
        });
    }

    public function redo(Strategy $strategy, int $base): StrategyRevision
    {
        return DB::transaction(function () use ($strategy, $base): StrategyRevision {
            $strategy = $this->locked($strategy, $base);
            $next =
                $strategy->revisions()->where('after', $base)->max('number') ??
                throw new Refused('There is nothing to redo.');
            $strategy->update(['head' => $next]);

            return $this->revision($strategy, (int) $next);
        });
    }

    /** An earlier revision becomes the newest; what lies between stays in the history. */
    public function backTo(User $by, Strategy $strategy, int $base, int $revision): StrategyRevision
    {
        return DB::transaction(function () use ($by, $strategy, $base, $revision): StrategyRevision {
            $strategy = $this->locked($strategy, $base);
            $number = 1 + (int) $strategy->revisions()->max('number');
            $new = $this->add(
                $by,
                $strategy,
                $number,
                $base,
                $this->revision($strategy, $revision)->strategy(),
                "Went back to revision {$revision}",
            );
            $strategy->update(['head' => $number]);
            ($this->log)(
                $strategy->review_id,
                $by,
                'strategy.back',
                "Went back to an earlier state of the strategy “{$strategy->name}”",
                $strategy,
                ['revision' => $revision],
            );

            return $new;
        });
    }

    /** The version that the shown revision is, made now if it is none yet. */
    public function freeze(User $by, Strategy $strategy, string $note = ''): StrategyVersion
    {
        return DB::transaction(function () use ($by, $strategy, $note): StrategyVersion {
            $strategy = $strategy->locked();
            $version = $strategy->versions()->where('revision', $strategy->head)->first();
            if ($version !== null) {
                return $version;
            }
            $version = $strategy
                ->versions()
                ->create([
                    'review_id' => $strategy->review_id,
                    'number' => 1 + (int) $strategy->versions()->max('number'),
                    'revision' => $strategy->head,
                    'note' => $note,
                    'frozen_by' => $by->id,
                    'frozen_at' => now(),
                ]);
            ($this->log)(
                $strategy->review_id,
                $by,
                'strategy.frozen',
                "Kept version {$version->number} of the strategy “{$strategy->name}”",
                $strategy,
                ['version' => $version->number, 'revision' => $version->revision],
            );

            return $version;
        });
    }

    private function locked(Strategy $strategy, int $base): Strategy
    {
        $strategy = $strategy->locked();
        if ($strategy->head !== $base) {
            $last = $this->revision($strategy, $strategy->head);
            throw new Refused(
                "{$last->maker->name} has changed this strategy meanwhile ({$last->change}). It is shown now as it stands; your change was not made. Make it again if it is still wanted.",
                ['head' => $strategy->head],
            );
        }

        return $strategy;
    }

    private function revision(Strategy $strategy, int $number): StrategyRevision
    {
        return $strategy->revisions()->where('number', $number)->firstOrFail();
    }

    private function add(
        User $by,
        Strategy $strategy,
        int $number,
        ?int $after,
        Lines $content,
        string $change,
    ): StrategyRevision {
        return $strategy
            ->revisions()
            ->create([
                'review_id' => $strategy->review_id,
                'number' => $number,
                'after' => $after,
                'content' => $content->toArray(),
                'change' => mb_strimwidth($change, 0, 250, '…'),
                'made_by' => $by->id,
                'made_at' => now(),
            ]);
    }

    private function newId(): string
    {
        return strtolower(Str::random(8));
    }
}
