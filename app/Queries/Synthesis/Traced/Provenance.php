<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Traced;

use App\Models\Review;
use App\Queries\Shared\StandingRecords;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** Why publications are in a review, and which search line found them: two queries, however many they are. */
final readonly class Provenance
{
    /**
     * @param  Collection<string, Collection<int, stdClass>>  $inclusions  by publication
     * @param  Collection<string, Collection<int, stdClass>>  $records  by publication
     */
    private function __construct(private Collection $inclusions, private Collection $records)
    {
    }

    /** @param  list<string>  $publications */
    public static function of(Review $review, array $publications): self
    {
        $inclusions = DB::table('items')
            ->join('stages', 'stages.id', '=', 'items.stage_id')
            ->where('items.review_id', $review->id)
            ->whereIn('items.publication_id', $publications)
            ->where('items.state', ItemState::Included->value)
            ->orderBy('stages.position')
            ->get(['items.publication_id', 'stages.name', 'items.opened_at', 'items.settled', 'items.id']);
        $arrivals = self::arrivals($review, $publications);

        return new self($inclusions->groupBy('publication_id'), $arrivals->groupBy('publication_id'));
    }

    /**
     * @param  list<string>  $publications
     * @return Collection<int, stdClass> from which search each came
     */
    private static function arrivals(Review $review, array $publications): Collection
    {
        return StandingRecords::of($review)
            ->leftJoin('runs', 'runs.id', '=', 'deliveries.run_id')
            ->whereIn('records.publication_id', $publications)
            ->orderBy('records.id')
            ->select(['records.publication_id', 'deliveries.source_name', 'deliveries.searched_on', 'records.line'])
            ->addSelect(['deliveries.id AS delivery_id', 'runs.id AS run_id'])
            ->selectRaw("runs.lines -> -1 ->> 'text' AS last_line, runs.lines -> -1 ->> 'number' AS last_number")
            ->get();
    }

    /** @return Collection<int, stdClass> the stages at which it was included, with name and day */
    public function inclusions(string $publication): Collection
    {
        return $this->inclusions->get($publication) ?? new Collection();
    }

    /** @return Collection<int, stdClass> the records that it came as, with source, day and line */
    public function records(string $publication): Collection
    {
        return $this->records->get($publication) ?? new Collection();
    }
}
