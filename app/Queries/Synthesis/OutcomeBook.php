<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\Arm;
use App\Models\Comparison;
use App\Models\Review;
use App\Models\ReviewOutcome;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Collection as SupportCollection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What a review has defined: outcomes, groups, and which are compared. */
final readonly class OutcomeBook
{
    /**
     * @param  Collection<int, ReviewOutcome>  $outcomes
     * @param  Collection<int, Arm>  $arms
     * @param  Collection<int, Comparison>  $comparisons
     */
    private function __construct(public Collection $outcomes, public Collection $arms, public Collection $comparisons)
    {
    }

    public static function of(Review $review): self
    {
        return new self(
            ReviewOutcome::query()->where('review_id', $review->id)->whereNull('retired_at')->orderBy('position')->get(),
            Arm::query()->where('review_id', $review->id)->whereNull('retired_at')->orderBy('position')->get(),
            Comparison::query()
                ->where('review_id', $review->id)
                ->whereNull('retired_at')
                ->with(['intervention', 'comparator'])
                ->orderBy('position')
                ->get(),
        );
    }

    /** @return SupportCollection<string, stdClass> results and studies of each outcome, by its key */
    public static function counts(Review $review): SupportCollection
    {
        return DB::table('standing_results')
            ->where('review_id', $review->id)
            ->groupBy('outcome_id')
            ->selectRaw('outcome_id, count(*) AS results, count(DISTINCT publication_id) AS studies')
            ->get()
            ->keyBy('outcome_id');
    }

    public function isEmpty(): bool
    {
        return $this->outcomes->isEmpty();
    }
}
