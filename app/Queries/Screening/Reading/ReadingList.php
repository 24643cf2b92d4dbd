<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use App\Models\Ranking;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Library\LibraryFilters;
use App\Queries\Screening\ShareOut\Shares;
use App\Queries\Shared\StageItems;
use App\Queries\Shared\Tallies;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/** The items of a stage that wait for one person, in the order in which they are to be read. */
final readonly class ReadingList
{
    public function __construct(private Stage $stage, private User $user, private ?LibraryFilters $filters = null)
    {
    }

    /** @return list<string> their ids, at most so many of those after a position */
    public function after(int $position, int $most): array
    {
        $ids = $this->stage->ranked ? $this->ranked($position, $most) : [];
        $left = $most - count($ids);
        if ($left === 0) {
            return $ids;
        }
        $from = $this->stage->ranked ? max(0, $position - Ranking::UNRANKED) : $position;

        return [...$ids, ...$this->unranked($from, $left)];
    }

    /** @return list<ReadingStep> what it holds, step by step, each with what is left */
    public function steps(int $left): array
    {
        $steps = [
            $this->stage->work === 'shares'
                ? new ReadingStep(null, 'in my shares', $this->shared())
                : new ReadingStep(null, 'at this stage', Tallies::of($this->stage->review, $this->stage)->all()),
            new ReadingStep(null, 'not judged by me, not open', $left),
        ];
        if ($this->filters?->isAny() !== true) {
            return $steps;
        }
        $narrowed = self::withPublications((new self($this->stage, $this->user))->waiting());
        foreach ($this->filters->filters as $filter) {
            $filter->apply($narrowed);
            $steps[] = new ReadingStep($filter->key(), $filter->words(), (clone $narrowed)->count());
        }

        return $steps;
    }

    /** @return list<string> of those that wait, in the order of the stage or of one's shares */
    private function unranked(int $from, int $most): array
    {
        $isShared = $this->stage->work === 'shares';
        $waiting = $this->waiting()
            ->where('items.position', '>', $from)
            ->when($isShared, fn (Builder $shares) => $shares->where('assignments.position', '>', $from))
            ->when($this->stage->ranked, fn (Builder $unranked) => $unranked->whereNotExists(fn (Builder $rank) => $rank
                ->selectRaw('1')
                ->from('item_ranks')
                ->whereColumn('item_ranks.review_id', 'items.review_id')
                ->whereColumn('item_ranks.item_id', 'items.id')))
            ->orderBy($isShared ? 'assignments.position' : 'items.position')
            ->limit($most);

        return array_values($waiting->pluck('items.id')->all());
    }

    /** @return list<string> items that have a rank, in its order */
    private function ranked(int $after, int $most): array
    {
        return $after >= Ranking::UNRANKED
            ? []
            : array_values(
                $this->waiting()
                    ->join(
                        'item_ranks',
                        fn ($rank) => $rank
                            ->on('item_ranks.review_id', '=', 'items.review_id')
                            ->on('item_ranks.item_id', '=', 'items.id'),
                    )
                    ->where('item_ranks.stage_id', $this->stage->id)
                    ->where('item_ranks.rank', '>', $after)
                    ->orderBy('item_ranks.rank')
                    ->limit($most)
                    ->pluck('items.id')
                    ->all(),
            );
    }

    private function shared(): int
    {
        return DB::table('assignments')
            ->where('review_id', $this->stage->review_id)
            ->where('stage_id', $this->stage->id)
            ->where('user_id', $this->user->id)
            ->count();
    }

    private static function withPublications(Builder $items): Builder
    {
        return $items
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->whereColumn('publications.review_id', 'items.review_id');
    }

    /**
     * Items that wait for my judgement, by themselves: they are found in order, and what is shown of them is read
     * afterwards.
     */
    private function waiting(): Builder
    {
        $items = $this->mineToDo();
        $items
            ->where('items.state', ItemState::Waiting->value)
            ->whereNotExists(
                fn (Builder $mine) => $mine
                    ->selectRaw('1')
                    ->from('decisions')
                    ->whereColumn('decisions.review_id', 'items.review_id')
                    ->whereColumn('decisions.item_id', 'items.id')
                    ->where('decisions.user_id', $this->user->id)
                    ->whereNull('decisions.superseded_at')
                    ->whereNotNull('decisions.verdict'),
            );
        if ($this->filters?->isAny() === true) {
            $this->filters->narrow(self::withPublications($items));
        }

        return $items;
    }

    /** What the way of working gives this person, whether done or not. */
    private function mineToDo(): Builder
    {
        return match ($this->stage->work) {
            'shares' => Shares::undone($this->stage)
                ->join('items', 'items.id', '=', 'assignments.item_id')
                ->whereColumn('items.review_id', 'assignments.review_id')
                ->where('assignments.user_id', $this->user->id),
            'queue' => StageItems::of($this->stage)
                ->join('item_claims', 'item_claims.item_id', '=', 'items.id')
                ->whereColumn('item_claims.review_id', 'items.review_id')
                ->where('item_claims.user_id', $this->user->id)
                ->where('item_claims.until', '>', now()),
            default => StageItems::of($this->stage),
        };
    }
}
