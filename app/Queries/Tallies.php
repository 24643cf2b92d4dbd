<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Review;
use App\Models\Stage;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;

/** How many items of a stage are in each state; the database keeps these as items change. */
final readonly class Tallies
{
    /** @param  array<string, int>  $byState */
    private function __construct(private array $byState)
    {
    }

    public static function of(Review $review, ?Stage $stage = null): self
    {
        return new self(DB::table('tallies')->where('review_id', $review->id)->where('stage_id', ($stage ?? $review->firstStage())->id)->pluck('n', 'state')->map(fn ($n): int => (int) $n)->all());
    }

    /** @return array<string, self> by stage; one query for all */
    public static function ofStages(Review $review): array
    {
        $rows = DB::table('tallies')->where('review_id', $review->id)->get(['stage_id', 'state', 'n'])->groupBy('stage_id');

        return $review->stages->mapWithKeys(fn (Stage $stage): array => [$stage->id => new self(isset($rows[$stage->id]) ? $rows[$stage->id]->pluck('n', 'state')->map(fn ($n): int => (int) $n)->all() : [])])->all();
    }

    public function in(ItemState ...$states): int
    {
        return array_sum(array_map(fn (ItemState $state): int => $this->byState[$state->value] ?? 0, $states));
    }

    public function all(): int
    {
        return array_sum(array_diff_key($this->byState, [ItemState::Folded->value => 0, ItemState::Removed->value => 0]));
    }
}
