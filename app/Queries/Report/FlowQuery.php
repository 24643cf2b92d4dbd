<?php

declare(strict_types=1);

namespace App\Queries\Report;

use App\Models\Review;
use App\Models\ReviewVersion;
use App\Models\Stage;
use App\Queries\Coding\CodedStudies;
use App\Queries\FullTexts\Retrievals;
use App\Queries\FullTexts\Studies;
use App\Queries\Library\Filter\SinceVersionFilter;
use App\Queries\Shared\StandingRecords;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Flow\Diagram;
use WaryHeron\Core\Flow\Flow;
use WaryHeron\Core\Flow\FlowFacts;
use WaryHeron\Core\Flow\FullTexts;
use WaryHeron\Core\Flow\IncludedCount;
use WaryHeron\Core\Flow\NamedSource;
use WaryHeron\Core\Flow\SourceKind;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

/** Counts the facts of the flow from the rows themselves, not from the tallies, so that the one checks the other. */
final readonly class FlowQuery
{
    private const ALIVE = [
        ItemState::Waiting,
        ItemState::Awaited,
        ItemState::Disagreement,
        ItemState::Included,
        ItemState::Excluded,
    ];

    /**
     * @param  ?bool  $searched  true: what databases and registers brought; false: what other methods alone brought;
     *     null: all
     * @param  ?ReviewVersion  $since  what came after it alone
     */
    private function __construct(
        private Review $review,
        private ?bool $searched,
        private ?ReviewVersion $since = null,
    ) {
    }

    public static function of(Review $review): Flow
    {
        return Flow::from((new self($review, null))->facts());
    }

    /** What came after a version alone. */
    public static function since(Review $review, ReviewVersion $version): Flow
    {
        return Flow::from((new self($review, null, $version))->facts());
    }

    /** @param  int  $reports  as many as are included; each is a study where no texts are read in full */
    public static function studies(Review $review, ?ReviewVersion $since, int $reports): int
    {
        return $review->lastStage()->purpose === StagePurpose::FullText ? Studies::included($review, $since) : $reports;
    }

    /** For an update, what was included before and what came since are told apart, as the standard's form has it. */
    public static function diagram(Review $review): Diagram
    {
        $since = ReviewVersion::latest($review);
        $sources = self::namedSources($review, $since);
        $both = array_filter($sources, fn (NamedSource $one): bool => ! $one->kind->isSearched()) !== [];
        $databases = new self($review, $both ? true : null, $since);
        $previous = self::previous($review, $since);
        $reports = Flow::from((new self($review, null, $since))->facts())->included();

        return Diagram::of(
            Flow::from($databases->facts()),
            $both ? Flow::from((new self($review, false, $since))->facts()) : null,
            $sources,
            DB::table('criteria')->where('review_id', $review->id)->pluck('reason', 'id')->all(),
            new IncludedCount(self::studies($review, $since, $reports), $reports),
            $previous,
            $review->flow_captions,
        );
    }

    /** What an earlier version of the review included. */
    private static function previous(Review $review, ?ReviewVersion $since): ?IncludedCount
    {
        return match (true) {
            $since !== null => new IncludedCount($since->studies, $since->reports),
            $review->previous_studies === null => null,
            default => new IncludedCount(
                $review->previous_studies,
                $review->previous_reports ?? $review->previous_studies,
            ),
        };
    }

    /** @return array<string, FlowCaption> by a name for forms */
    public static function captionKeys(Review $review): array
    {
        $keys = [];
        foreach (self::diagram((clone $review)->forceFill(['flow_captions' => []]))->numbers() as $one) {
            $line = $one->line;
            $own = $review->flow_captions[$line->key] ?? '';
            $keys[substr(sha1($line->key), 0, 12)] = new FlowCaption(
                $line->key,
                $line->label,
                $own === '' ? $line->label : $own,
            );
        }

        return $keys;
    }

    /**
     * Where the numbers of the diagram lead.
     *
     * @return array<string, string> addresses by the key of a line
     */
    public static function links(Review $review): array
    {
        $first = $review->firstStage()->id;
        $last = $review->lastStage()->id;
        $version = ReviewVersion::latest($review);
        // of an update, its numbers lead to what is new
        $since = $version === null ? [] : ['since' => $version->id];
        $library = fn (array $filter): string => route('library', [$review, ...$filter, ...$since]);
        $in = fn (string $state, string $stage): string => $library(['state' => $state, 'stage' => $stage]);
        $links = self::fixedLinks($review, $since, $in);
        foreach (['excluded' => $first, 'full-excluded' => $last] as $key => $stage) {
            foreach (self::reasons($review, $review->stages->firstWhere('id', $stage)) as $reason) {
                $links["{$key}:{$reason->id}"] = $reason->id === ''
                    ? $in('excluded', $stage)
                    : $library(['reason' => $reason->id, 'stage' => $stage]);
            }
        }
        foreach (self::namedSources($review, $version) as $source) {
            $links["source:{$source->kind->value}:{$source->name}"] = $library(['source' => $source->name]);
        }

        return $links;
    }

    /**
     * @param  array<string, string>  $since
     * @param  \Closure(string, string): string  $in  the library, by state and stage
     * @return array<string, string>
     */
    private static function fixedLinks(Review $review, array $since, \Closure $in): array
    {
        [$first, $last] = [$review->firstStage()->id, $review->lastStage()->id];

        return [
            'identified' => route('deliveries', $review),
            'other-identified' => route('deliveries', $review),
            'removed' => route('library', [$review, 'duplicates' => 1]),
            'duplicates-machine' => route('matching.joined', $review),
            'duplicates-people' => route('matching.joined', $review),
            'removed-otherwise' => route('library', [$review, 'removed' => 1]),
            'screened' => route('library', [$review, ...$since]),
            'pending' => $in('pending', $first),
            'excluded' => $in('excluded', $first),
            'sought' => route('full-texts', $review),
            'not-retrieved' => route('full-texts', [$review, 'state' => 'not-retrievable']),
            'awaited' => $in('awaited', $last),
            'assessed' => route('full-texts', [$review, 'only' => 'judged']),
            'full-pending' => $in('pending', $last),
            'full-excluded' => $in('excluded', $last),
            'studies' => route('studies', $review),
            'reports' => $in('included', $last),
            'included' => $in('included', $last),
        ];
    }

    private static function namedSource(stdClass $row): NamedSource
    {
        return new NamedSource(SourceKind::from($row->source_kind), $row->source_name, (int) $row->n);
    }

    /**
     * @return list<NamedSource> those of withdrawn deliveries left out
     */
    public static function namedSources(Review $review, ?ReviewVersion $since = null): array
    {
        return array_values(
            StandingRecords::of($review)
                ->when($since !== null, fn (Builder $new) => $new->where('records.created_at', '>', $since?->closed_at))
                ->groupBy('source_kind', 'source_name')
                ->orderByRaw('count(*) DESC, source_name')
                ->selectRaw('source_kind, source_name, count(*) AS n')
                ->get()
                ->map(self::namedSource(...))
                ->all(),
        );
    }

    private function facts(): FlowFacts
    {
        $first = $this->review->firstStage();
        $full = $this->review->lastStage()->purpose === StagePurpose::FullText ? $this->review->lastStage() : null;
        $in = $this->states($first);
        $publications = $this->publications();
        $records = $this->records();
        [$delivered, $alive] = [(clone $records)->count(), (clone $publications)->count()];

        return new FlowFacts(
            recordsBySource: self::bySource($records),
            fullTexts: $full === null ? null : $this->fullTexts($full),
            recordsDelivered: $delivered,
            publications: $alive,
            waiting: $in(ItemState::Waiting) + $in(ItemState::Awaited),
            disagreements: $in(ItemState::Disagreement),
            included: $in(ItemState::Included),
            excluded: $in(ItemState::Excluded),
            coded: $this->searched === null ? CodedStudies::count($this->review) : 0,
            removed: (clone $publications)->whereNotNull('publications.removed_at')->count(),
            joinedByPeople: $this->joinedByPeople($delivered - $alive),
            excludedByReason: self::byReason($this->reasonsHere($first)),
        );
    }

    /** @return array<string, int> */
    private static function bySource(Builder $records): array
    {
        return (clone $records)
            ->groupBy('source_kind')
            ->selectRaw('source_kind, count(*) AS n')
            ->pluck('n', 'source_kind')
            ->map(fn ($n): int => (int) $n)
            ->all();
    }

    private function fullTexts(Stage $full): FullTexts
    {
        $in = $this->states($full);
        $sought = $this->within(Retrievals::sought($this->review), 'items.publication_id');
        $givenUp = Retrievals::givenUp($this->review, $sought);

        return new FullTexts(
            array_sum(array_map($in, self::ALIVE)) + array_sum($givenUp),
            $in(ItemState::Waiting),
            $in(ItemState::Disagreement),
            $in(ItemState::Included),
            $in(ItemState::Excluded),
            self::byReason($this->reasonsHere($full)),
            $in(ItemState::Awaited),
            $givenUp,
            $this->searched === null ? Studies::included($this->review, $this->since) : null,
        );
    }

    /** @return \Closure(ItemState): int */
    private function states(Stage $stage): \Closure
    {
        $counts = $this->within(
            DB::table('items')->where('items.review_id', $this->review->id)->where('items.stage_id', $stage->id),
            'items.publication_id',
        )
            ->groupBy('items.state')
            ->selectRaw('items.state, count(*) AS n')
            ->pluck('n', 'state');

        return fn (ItemState $state): int => (int) ($counts[$state->value] ?? 0);
    }

    private function publications(): Builder
    {
        return $this->within(
            DB::table('publications')
                ->where('publications.review_id', $this->review->id)
                ->whereNull('publications.merged_into'),
            'publications.id',
        );
    }

    private function records(): Builder
    {
        return StandingRecords::of($this->review)
            ->when(
                $this->since !== null,
                fn (Builder $new) => $new->where('records.created_at', '>', $this->since?->closed_at),
            )
            ->when(
                $this->searched === true,
                fn (Builder $of) => $of->whereIn('deliveries.source_kind', self::searchedKinds()),
            )
            ->when(
                $this->searched === false,
                fn (Builder $of) => $of->whereNotIn('deliveries.source_kind', self::searchedKinds()),
            );
    }

    /**
     * Leaves what belongs to this arm: of the first is whatever a database or register brought, alone or among others.
     */
    private function within(Builder $query, string $publication): Builder
    {
        $brought = StandingRecords::of($this->review)
            ->select('records.publication_id')
            ->whereNotNull('records.publication_id')
            ->whereIn('deliveries.source_kind', self::searchedKinds());

        if ($this->since !== null) {
            SinceVersionFilter::leaveNew($query, $publication, $this->since);
        }

        return match ($this->searched) {
            null => $query,
            true => $query->whereIn($publication, $brought),
            false => $query->whereNotIn($publication, $brought),
        };
    }

    /**
     * What people joined, by what it brought: never more than the arm has duplicates, for one of each arm joined is the
     * other’s duplicate.
     */
    private function joinedByPeople(int $duplicates): int
    {
        $joins = DB::table('joins')
            ->where('review_id', $this->review->id)
            ->whereNull('matching_id')
            ->whereNull('undone_at')
            ->when($this->since !== null, fn (Builder $new) => $new->where('created_at', '>', $this->since?->closed_at));
        $all = (clone $joins)->count();
        if ($this->searched === null) {
            return min($duplicates, $all);
        }
        $searched = new self($this->review, true, $this->since);
        $ofSearched = min(
            $searched->records()->count() - $searched->publications()->count(),
            $joins->whereExists(self::isOfSearched(...))->count(),
        );

        return $this->searched ? $ofSearched : min($duplicates, $all - $ofSearched);
    }

    private static function isOfSearched(Builder $record): void
    {
        $record
            ->selectRaw('1')
            ->from('records')
            ->join('deliveries', 'deliveries.id', '=', 'records.delivery_id')
            ->whereRaw('records.id IN (SELECT jsonb_array_elements_text(joins.records))')
            ->whereIn('deliveries.source_kind', self::searchedKinds());
    }

    /** @return Collection<int, stdClass> */
    private function reasonsHere(Stage $stage): Collection
    {
        return $this->within(
            DB::table('items')
                ->leftJoin('criteria', 'criteria.id', '=', 'items.criterion_id')
                ->where('items.review_id', $this->review->id)
                ->where('items.stage_id', $stage->id)
                ->where('items.state', ItemState::Excluded->value),
            'items.publication_id',
        )
            ->groupBy('criteria.id', 'criteria.reason', 'criteria.position')
            ->orderByRaw('criteria.position NULLS LAST')
            ->selectRaw(
                "coalesce(criteria.id, '') AS id, coalesce(criteria.reason, 'No reason given') AS reason, count(*) AS n",
            )
            ->get();
    }

    /**
     * @param  Collection<int, stdClass>  $reasons
     * @return array<string, int> exclusions by criterion
     */
    private static function byReason(Collection $reasons): array
    {
        return $reasons->pluck('n', 'id')->map(fn ($n): int => (int) $n)->all();
    }

    /** @return Collection<int, stdClass> exclusions by reason in the protocol's order; without one last */
    public static function reasons(Review $review, ?Stage $stage = null): Collection
    {
        return (new self($review, null))->reasonsHere($stage ?? $review->firstStage());
    }

    /**
     * @return Collection<int, stdClass> records kept by delivery, those withdrawn left out; lists of references together
     *     by the name of their source, without an id
     */
    public static function sources(Review $review): Collection
    {
        $alone = 'CASE WHEN full_text_id IS NULL THEN id END';
        $kept = <<<'SQL'
            (SELECT count(*) FROM records r
            WHERE r.review_id = deliveries.review_id AND r.delivery_id = deliveries.id AND r.withdrawn_at IS NULL)
            SQL;

        return DB::table('deliveries')
            ->where('review_id', $review->id)
            ->groupByRaw("{$alone}, source_name")
            ->orderByRaw('min(created_at)')
            ->selectRaw("{$alone} AS id, source_name")
            ->selectRaw('max(CASE WHEN full_text_id IS NULL THEN file_name END) AS file_name')
            ->selectRaw("max(searched_on) AS searched_on, count(*) AS deliveries, sum({$kept})::bigint AS kept")
            ->get();
    }

    /** @return list<string> */
    private static function searchedKinds(): array
    {
        return array_values(
            array_map(
                fn (SourceKind $kind): string => $kind->value,
                array_filter(SourceKind::cases(), fn (SourceKind $kind): bool => $kind->isSearched()),
            ),
        );
    }
}
