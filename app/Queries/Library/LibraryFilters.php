<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Models\Review;
use App\Models\User;
use App\Queries\Library\Filter\AnswerFilter;
use App\Queries\Library\Filter\CodedFilter;
use App\Queries\Library\Filter\DeliveryFilter;
use App\Queries\Library\Filter\DuplicatesFilter;
use App\Queries\Library\Filter\Filter;
use App\Queries\Library\Filter\JudgedFilter;
use App\Queries\Library\Filter\NoAbstractFilter;
use App\Queries\Library\Filter\Place;
use App\Queries\Library\Filter\QueryFilter;
use App\Queries\Library\Filter\ReasonFilter;
use App\Queries\Library\Filter\RemovedFilter;
use App\Queries\Library\Filter\SinceVersionFilter;
use App\Queries\Library\Filter\SourceFilter;
use App\Queries\Library\Filter\StageFilter;
use App\Queries\Library\Filter\StateFilter;
use App\Queries\Library\Filter\TagFilter;
use App\Queries\Library\Filter\ValueFilter;
use App\Queries\Library\Filter\YearsFilter;
use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** The filters of the library as they were asked for, and what they leave. */
final readonly class LibraryFilters
{
    /** What may be asked for, by its name in an address. */
    public const KEYS = [
        'q',
        'state',
        'stage',
        'reason',
        'answer',
        'judged',
        'coded',
        'delivery',
        'since',
        'source',
        'from',
        'to',
        'type',
        'language',
        'tag',
        'duplicates',
        'no_abstract',
        'removed',
    ];

    /** In the order in which a page names them, after what is removed and the line of the query language. */
    private const OTHERS = [
        StateFilter::class,
        StageFilter::class,
        ReasonFilter::class,
        AnswerFilter::class,
        JudgedFilter::class,
        CodedFilter::class,
        DeliveryFilter::class,
        SinceVersionFilter::class,
        YearsFilter::class,
        ValueFilter::class,
        SourceFilter::class,
        TagFilter::class,
        DuplicatesFilter::class,
        NoAbstractFilter::class,
    ];

    /** @param  list<Filter>  $filters */
    private function __construct(
        private Review $review,
        private Asked $asked,
        public array $filters,
        public QueryFilter $line,
    ) {
    }

    /**
     * @param  ?list<string>  $only  the filters that are heard here
     * @param  string  $stageKey  what the stage at which something stands is called in the address
     */
    public static function from(
        Asked $asked,
        Review $review,
        User $viewer,
        ?array $only = null,
        string $stageKey = 'stage',
    ): self {
        $stage = $review->stages->firstWhere('id', $asked->text($stageKey)) ?? $review->firstStage();
        $place = new Place($review, $viewer, $stage);
        $line = QueryFilter::read($asked, $place);
        $others = array_map(fn (string $one): array => $one::from($asked, $place), self::OTHERS);
        $filters = [...RemovedFilter::from($asked, $place), ...$line->narrows() ? [$line] : [], ...array_merge(...$others)];
        $heard = fn (Filter $filter): bool => $only === null || in_array($filter->key(), $only, true);
        $filters = array_values(array_filter($filters, $heard));

        return new self($review, $asked, $filters, $line);
    }

    public function isAny(): bool
    {
        return $this->filters !== [];
    }

    /** @return list<string> what each says */
    public function words(): array
    {
        return array_map(fn (Filter $filter): string => $filter->words(), $this->filters);
    }

    public function isOfRemoved(): bool
    {
        return $this->asked->is('removed');
    }

    /** The review's publications, before any filter: those removed are left out, unless they are asked for. */
    public function all(): Builder
    {
        return DB::table('publications')
            ->where('publications.review_id', $this->review->id)
            ->whereNull('publications.merged_into')
            ->when(! $this->isOfRemoved(), fn (Builder $all) => $all->whereNull('publications.removed_at'));
    }

    /** The publications that the filters leave. */
    public function publications(): Builder
    {
        return $this->narrow($this->all());
    }

    /** Applies every filter to a query that has publications in it. */
    public function narrow(Builder $query): Builder
    {
        foreach ($this->filters as $filter) {
            $filter->apply($query);
        }

        return $query;
    }

    /** Whether anything is ticked: if nothing is, that never means everything. */
    public function hasChosen(): bool
    {
        return $this->areAllChosen() || $this->asked->ticked !== [];
    }

    /** The publications ticked on the page, or all that the filters leave where that is ticked. */
    public function chosen(): Builder
    {
        return $this->areAllChosen()
            ? $this->publications()
            : $this->all()->whereIn('publications.id', $this->asked->ticked);
    }

    private function areAllChosen(): bool
    {
        return $this->asked->text('all') !== '';
    }
}
