<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Review;
use App\Queries\Shared\ReviewStamp;
use App\Queries\Shared\Tallies;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/**
 * A page of the review's publications. Pages go on from the last row seen, so that far pages cost no more than the
 * first.
 */
final readonly class Library
{
    public const PER_PAGE = 50;

    /** From one in so many rows on, a list is dense. */
    private const DENSE = 10;

    /** Counts, and which publications are left, hold until the review changes; and no longer than this. */
    private const SECONDS_KEPT = 3600;

    /** So few that are left are kept by name: pages and orders of them are looked up instead of searched for again. */
    private const FEW = 1000;

    private const SORTS = [
        'added' => 'publications.id',
        'title' => 'publications.sort_title',
        'year' => 'coalesce(publications.year, 0)',
        'author' => 'publications.first_author',
        'records' => 'publications.records_count',
    ];

    /**
     * @param  list<stdClass>  $rows
     * @param  list<FilterStep>  $steps
     */
    private function __construct(
        public array $rows,
        public int $total,
        public array $steps,
        public int $first,
        public ?string $next,
        public ?string $previous,
        public string $sort,
        public bool $descending,
    ) {
    }

    public static function page(
        Review $review,
        LibraryFilters $filters,
        string $sort,
        bool $descending,
        ?string $cursor,
    ): self {
        $sort = isset(self::SORTS[$sort]) ? $sort : 'added';
        $tallies = Tallies::of($review);
        $total = $tallies->all() + ($filters->isOfRemoved() ? $tallies->in(ItemState::Removed) : 0);
        $narrowed = self::narrowed($review, $filters, $tallies);
        [$query, $steps] = [$narrowed->query, $narrowed->steps];
        $at = LibraryCursor::read($cursor, $sort);
        $left = $steps === [] ? $total : $steps[count($steps) - 1]->count;
        $found = array_column($steps, 'count', 'key')['q'] ?? $total;
        $query = match (true) {
            $steps !== [] && $left <= self::FEW => self::few($review, $query, $narrowed->stamp),
            $found * self::DENSE <= $total => self::gathered($review, $query),
            default => $query,
        };
        $rows = self::inOrder(
            $filters->line->query !== null && $left * self::DENSE > $total,
            fn (): array => self::rows($review, $query, $sort, $descending !== ($at?->back === true), $at),
        );

        return self::ofRows($rows, $at, $total, $steps, $sort, $descending);
    }

    /**
     * @param  list<stdClass>  $rows  in the order they were looked for, one more than a page where there are more
     * @param  list<FilterStep>  $steps
     */
    private static function ofRows(
        array $rows,
        ?LibraryCursor $at,
        int $total,
        array $steps,
        string $sort,
        bool $descending,
    ): self {
        $backwards = $at !== null && $at->back;
        $more = count($rows) > self::PER_PAGE;
        $rows = array_slice($rows, 0, self::PER_PAGE);
        $rows = $backwards ? array_reverse($rows) : $rows;
        $first = match (true) {
            $at === null => 1,
            $backwards => max(1, $at->first - count($rows)),
            default => $at->first,
        };
        $hasNext = ($backwards || $more) && $rows !== [];
        $hasPrevious = ($backwards ? $more : $at !== null) && $rows !== [];

        return new self(
            $rows,
            $total,
            $steps,
            $rows === [] ? 0 : $first,
            $hasNext ? LibraryCursor::written($rows[count($rows) - 1], false, $first + count($rows)) : null,
            $hasPrevious ? LibraryCursor::written($rows[0], true, $first) : null,
            $sort,
            $descending,
        );
    }

    /** The query finds few: they are gathered by the indexes of words first, and not looked for in the list's order. */
    private static function gathered(Review $review, Builder $query): Builder
    {
        return DB::table('publications')
            ->where('publications.review_id', $review->id)
            ->whereIn('publications.id', (clone $query)->select('publications.id')->offset(0));
    }

    /** The same, where their names are known. */
    private static function few(Review $review, Builder $query, string $stamp): Builder
    {
        $named = fn (Builder $all): string => $all->pluck('publications.id')->join(',');
        $ids = self::kept('library ids', $stamp, $query, $named);

        return DB::table('publications')
            ->where('publications.review_id', $review->id)
            ->whereRaw('publications.id = ANY(?::char(26)[])', ["{{$ids}}"]);
    }

    private static function narrowed(Review $review, LibraryFilters $filters, Tallies $tallies): NarrowedLibrary
    {
        $query = $filters->all();
        $steps = [];
        $stamp = ! $filters->isAny() ? '' : ReviewStamp::of($review, $tallies);
        foreach ($filters->filters as $filter) {
            $filter->apply($query);
            $count = (int) self::kept('library', $stamp, $query, fn (Builder $all): int => $all->count());
            $steps[] = new FilterStep($filter->key(), $filter->words(), $count);
        }

        return new NarrowedLibrary($query, $steps, $stamp);
    }

    /**
     * @param  \Closure(Builder): (int|string)  $ask
     * @return int|string what was found when the review was last like this
     */
    private static function kept(string $what, string $stamp, Builder $query, \Closure $ask): int|string
    {
        $sql = $query->toSql();
        if (str_contains($sql, 'paper_pages')) {
            return $ask(clone $query); // papers are read in the background, and nothing is written in the Log of it
        }
        $asked = "{$stamp} {$sql} ".json_encode($query->getBindings(), JSON_THROW_ON_ERROR);

        return Cache::remember("{$what} ".md5($asked), self::SECONDS_KEPT, fn (): int|string => $ask(clone $query));
    }

    /**
     * Where a good part of all rows is left, reading on in the order of the list finds a page sooner than gathering
     * all that match first, which the planner prefers as it does not know how the words are spread.
     *
     * @param  \Closure(): list<stdClass>  $rows
     * @return list<stdClass>
     */
    private static function inOrder(bool $dense, \Closure $rows): array
    {
        return ! $dense
            ? $rows()
            : DB::transaction(function () use ($rows): array {
                DB::statement('SET LOCAL enable_bitmapscan = off');

                return $rows();
            });
    }

    /** How many the filters leave. */
    public function count(): int
    {
        return $this->steps === [] ? $this->total : $this->steps[count($this->steps) - 1]->count;
    }

    /** @return list<stdClass> */
    private static function rows(
        Review $review,
        Builder $query,
        string $sort,
        bool $descending,
        ?LibraryCursor $at,
    ): array {
        $by = self::SORTS[$sort];
        $way = $descending ? 'desc' : 'asc';
        $query = (clone $query)
            ->select(['publications.id', 'publications.review_id', 'title', 'authors', 'publications.year', 'journal'])
            ->addSelect(['place', 'doi', 'records_count', 'publications.type', 'publications.language'])
            ->addSelect('publications.removed_for')
            ->selectRaw("{$by} AS sorted_by, (publications.abstract = '') AS lacks_abstract");
        if ($at !== null) {
            $sort === 'added'
                ? $query->where('publications.id', $descending ? '<' : '>', $at->id)
                : $query->whereRaw(
                    "({$by}, publications.id) ".($descending ? '<' : '>').' (?, ?)',
                    [$at->value, $at->id],
                );
        }
        if ($sort !== 'added') {
            $query->orderByRaw("{$by} {$way}");
        }
        $page = $query->orderBy('publications.id', $way)->limit(self::PER_PAGE + 1);

        $rows = array_values(self::withStanding($page)
            ->orderByRaw('page.sorted_by '.$way)
            ->orderBy('page.id', $way)
            ->get(['page.*', 'standing.state', 'standing.settled'])
            ->all());
        $tags = Tags::of($review, array_column($rows, 'id'));
        foreach ($rows as $row) {
            $row->tags = $tags[$row->id] ?? [];
        }

        return $rows;
    }

    /** How far each has come; looked up for the rows of a page only. */
    private static function withStanding(Builder $page): Builder
    {
        return DB::query()
            ->fromSub($page, 'page')
            ->leftJoinLateral(
                DB::table('items')
                    ->join('stages', 'stages.id', '=', 'items.stage_id')
                    ->whereColumn('items.review_id', 'page.review_id')
                    ->whereColumn('items.publication_id', 'page.id')
                    ->whereIn('stages.purpose', [StagePurpose::TitleAbstract->value, StagePurpose::FullText->value])
                    ->orderByDesc('stages.position')
                    ->limit(1)
                    ->select('items.state', 'items.settled'),
                'standing',
            );
    }
}
