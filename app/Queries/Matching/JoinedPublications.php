<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Review;
use App\Queries\Report\FlowQuery;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** What was joined, by machine or by people, newest first, or twenty of the machine's drawn at random. */
final readonly class JoinedPublications
{
    private const PER_PAGE = 50;

    /** @param  Collection<int, \stdClass>  $rows */
    private function __construct(
        public Collection $rows,
        public int $byMachine,
        public int $byPeople,
        public int $page,
        public bool $sample,
        public ?string $matchingId,
        public int $asTheyCame,
    ) {
    }

    public static function of(Review $review, int $page, bool $sample): self
    {
        $joins = DB::table('joins')->where('joins.review_id', $review->id)->whereNull('undone_at');
        $counts = (clone $joins)
            ->selectRaw(
                'count(*) FILTER (WHERE matching_id IS NOT NULL) AS machine, count(*) FILTER (WHERE matching_id IS NULL) AS people',
            )
            ->first();
        [$machine, $people] = [(int) ($counts->machine ?? 0), (int) ($counts->people ?? 0)];
        $rows = self::rows($joins, $page, $sample);
        $gone = DB::table('records')
            ->where('review_id', $review->id)
            ->whereIn('id', $rows->map(self::first(...))->all())
            ->selectRaw("id, reference->>'title' AS title")
            ->pluck('title', 'id');
        $rows->each(fn (\stdClass $row) => ($row->other = $gone[self::first($row)] ?? ''));

        return new self(
            $rows,
            $machine,
            $people,
            $page,
            $sample,
            (clone $joins)->whereNotNull('matching_id')->orderByDesc('id')->value('matching_id'),
            self::cameAsDuplicates($review, $machine + $people),
        );
    }

    private static function first(\stdClass $join): string
    {
        return json_decode($join->records, true)[0] ?? '';
    }

    /** @return Collection<int, \stdClass> the latest, or some at random of those that the machine made */
    private static function rows(Builder $joins, int $page, bool $sample): Collection
    {
        return (clone $joins)
            ->join('publications', 'publications.id', '=', 'joins.kept')
            ->whereColumn('publications.review_id', 'joins.review_id')
            ->leftJoin('users', 'users.id', '=', 'joins.user_id')
            ->when(
                $sample,
                fn ($q) => $q->whereNotNull('matching_id')->inRandomOrder()->limit(20),
                fn ($q) => $q->orderByDesc('joins.id')->forPage($page, self::PER_PAGE),
            )
            ->select(['joins.id', 'joins.created_at', 'joins.records', 'joins.matching_id', 'joins.folded', 'users.name'])
            ->addSelect(['publications.id AS publication_id', 'title', 'year', 'records_count'])
            ->get();
    }

    /**
     * Records that were joined with a publication as they came in: all duplicates but those that were joined
     * afterwards.
     */
    private static function cameAsDuplicates(Review $review, int $joinedLater): int
    {
        return max(0, FlowQuery::of($review)->duplicatesRemoved() - $joinedLater);
    }
}
