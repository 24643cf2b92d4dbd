<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Review;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Stage;

/** How many items of a stage are in each state; the database keeps these as items change. */
final readonly class Tallies
{
    /** @param  array<string, int>  $byState */
    private function __construct(private array $byState)
    {
    }

    public static function of(Review $review, Stage $stage = Stage::TitleAbstract): self
    {
        return new self(DB::table('tallies')->where('review_id', $review->id)->where('stage', $stage->value)->pluck('n', 'state')->map(fn ($n): int => (int) $n)->all());
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
