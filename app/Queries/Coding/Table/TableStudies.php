<?php

declare(strict_types=1);

namespace App\Queries\Coding\Table;

use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** The included studies that a table of codings shows, in its order. */
final readonly class TableStudies
{
    private const CODED = '(SELECT count(*) FROM standing_answers AS a WHERE a.review_id = publications.review_id
        AND a.publication_id = publications.id)';

    /** @param  bool  $everyReport  of each study every included report, not the one with which it is coded */
    public function __construct(
        private Review $review,
        private TableTerms $terms,
        private bool $everyReport = false,
    ) {
    }

    public static function reportsOf(Review $review, TableTerms $terms): int
    {
        return (new self($review, $terms, everyReport: true))->count();
    }

    public function count(): int
    {
        return $this->narrowed()->count();
    }

    /** @return Collection<int, stdClass> */
    public function page(int $length): Collection
    {
        return $this->ordered()
            ->forPage($this->terms->page, $length)
            ->get();
    }

    /** @return Collection<int, stdClass> */
    public function all(): Collection
    {
        return $this->ordered()->get();
    }

    private function narrowed(): Builder
    {
        $studies = $this->reports()
            ->join('publications', fn ($join) => $join
                ->on('publications.review_id', '=', 'reports.review_id')
                ->on('publications.id', '=', 'reports.publication_id'))
            ->where('reports.review_id', $this->review->id)
            ->where('reports.stage_id', $this->review->lastStage()->id);
        if ($this->terms->whose !== null) {
            $studies->whereExists($this->theirs(...));
        }
        foreach ($this->terms->filters as $filter) {
            $filter->narrow($studies);
        }

        return $studies;
    }

    /** Shares of whose studies are asked for. */
    private function theirs(Builder $share): void
    {
        $share
            ->selectRaw('1')
            ->from('coding_shares')
            ->whereColumn('coding_shares.review_id', 'publications.review_id')
            ->whereColumn('coding_shares.publication_id', 'publications.id')
            ->where('coding_shares.user_id', $this->terms->whose);
    }

    private function reports(): Builder
    {
        return $this->everyReport
            ? DB::table('items AS reports')->where('reports.state', ItemState::Included->value)
            : DB::table('coded_reports AS reports');
    }

    private function ordered(): Builder
    {
        $studies = $this->withOthers();
        $way = $this->terms->descending ? 'DESC' : 'ASC';
        match ($this->terms->sort) {
            'author' => $studies->orderByRaw("publications.first_author {$way}"),
            'year' => $studies->orderByRaw("publications.year {$way} NULLS LAST"),
            'title' => $studies->orderByRaw("publications.sort_title {$way}"),
            'coded' => $studies->orderByRaw(self::CODED." {$way}"),
            default => $this->byItem($studies, $way),
        };

        return $studies->orderBy('publications.first_author')->orderBy('publications.year')->orderBy('publications.id');
    }

    private function withOthers(): Builder
    {
        return $this->narrowed()->select([
            'publications.id',
            'publications.title',
            'publications.authors',
            'publications.first_author',
            'publications.year',
            'publications.journal',
            'publications.doi',
            'publications.study_id',
        ])->selectRaw(<<<'SQL'
            CASE WHEN publications.study_id IS NULL THEN 0 ELSE (
                SELECT count(*) - 1 FROM publications AS p WHERE p.review_id = publications.review_id
                    AND p.study_id = publications.study_id AND p.merged_into IS NULL
            ) END AS others
            SQL);
    }

    private function byItem(Builder $studies, string $way): void
    {
        $studies
            ->leftJoin('standing_answers AS by_item', fn ($join) => $join
                ->on('by_item.review_id', '=', 'publications.review_id')
                ->on('by_item.publication_id', '=', 'publications.id')
                ->where('by_item.code_id', '=', $this->terms->sort))
            // jsonb orders numbers as numbers and texts as texts
            ->orderByRaw("CASE WHEN by_item.kind = 'value' THEN by_item.value END {$way} NULLS LAST");
    }
}
