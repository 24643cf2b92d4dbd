<?php

declare(strict_types=1);

namespace App\Queries\Shared;

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
        $stage ??= $review->firstStage();

        return self::ofStages($review, $stage->id)[$stage->id];
    }

    /** @return array<string, self> by stage; one query for all */
    public static function ofStages(Review $review, ?string $only = null): array
    {
        $byStage = $only === null ? array_fill_keys($review->stages->modelKeys(), []) : [$only => []];
        // each count is kept in parts, of which some are below nought
        foreach (
            DB::table('tallies')
                ->where('review_id', $review->id)
                ->when($only !== null, fn ($of) => $of->where('stage_id', $only))
                ->get(['stage_id', 'state', 'n']) as $part
        ) {
            $byStage[$part->stage_id][$part->state] = ($byStage[$part->stage_id][$part->state] ?? 0) + $part->n;
        }

        return array_map(fn (array $byState): self => new self($byState), $byStage);
    }

    public function in(ItemState ...$states): int
    {
        return array_sum(array_map(fn (ItemState $state): int => $this->byState[$state->value] ?? 0, $states));
    }

    public function all(): int
    {
        return array_sum(
            array_diff_key($this->byState, [ItemState::Folded->value => 0, ItemState::Removed->value => 0]),
        );
    }
}
