<?php

declare(strict_types=1);

namespace App\Queries\Coding\Table;

use App\Models\Review;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;

/** The included publications that a table of codings shows, in its order. */
final readonly class TableStudies
{
    public function __construct(private Review $review, private TableTerms $terms)
    {
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
        $studies = DB::table('items')
            ->join('publications', fn ($join) => $join
                ->on('publications.review_id', '=', 'items.review_id')
                ->on('publications.id', '=', 'items.publication_id'))
            ->where('items.review_id', $this->review->id)
            ->where('items.stage_id', $this->review->lastStage()->id)
            ->where('items.state', ItemState::Included->value);
        foreach ($this->terms->filters as $filter) {
            $filter->narrow($studies);
        }

        return $studies;
    }

    private function ordered(): Builder
    {
        $studies = $this->narrowed()->select([
            'publications.id',
            'publications.title',
            'publications.authors',
            'publications.first_author',
            'publications.year',
            'publications.journal',
            'publications.doi',
            'publications.study_id',
        ]);
        $way = $this->terms->descending ? 'DESC' : 'ASC';
        match ($this->terms->sort) {
            'author' => $studies->orderByRaw("publications.first_author {$way}"),
            'year' => $studies->orderByRaw("publications.year {$way} NULLS LAST"),
            'title' => $studies->orderByRaw("publications.sort_title {$way}"),
            'coded' => $studies->orderByRaw(
                "(SELECT count(*) FROM standing_answers AS a WHERE a.review_id = publications.review_id
                    AND a.publication_id = publications.id) {$way}",
            ),
            default => $this->byItem($studies, $way),
        };

        return $studies->orderBy('publications.first_author')->orderBy('publications.year')->orderBy('publications.id');
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
