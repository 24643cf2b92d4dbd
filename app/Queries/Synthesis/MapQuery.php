<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Synthesis\Map\EvidenceMap;

/** Included studies counted by what the codebook says of them. */
final readonly class MapQuery
{
    /**
     * What is said of each included study by an item, an answer a row. A study whose answer has no options to choose
     * from says what kind of answer it is.
     */
    private const SAID = <<<'SQL'
        SELECT DISTINCT coalesce(p.study_id, p.id) AS study, said.v
        FROM standing_answers a
        JOIN items i ON i.review_id = a.review_id AND i.publication_id = a.publication_id AND i.stage_id = ? AND i.state = ?
        JOIN publications p ON p.review_id = a.review_id AND p.id = a.publication_id
        CROSS JOIN LATERAL (
            SELECT jsonb_array_elements_text(CASE jsonb_typeof(a.value) WHEN 'array' THEN a.value ELSE jsonb_build_array(a.value) END) AS v
            WHERE a.kind = 'value'
            UNION ALL SELECT replace(a.kind, '-', ' ') WHERE a.kind <> 'value'
        ) AS said
        WHERE a.review_id = ? AND a.code_id = ?
        SQL;

    public function __construct(
        private Review $review,
        private CodebookItem $rows,
        private ?CodebookItem $columns,
        private ?CodebookItem $fill,
    ) {
    }

    public function map(): EvidenceMap
    {
        $said = $this->said();
        $of = fn (?CodebookItem $code): ?array => $code === null ? null : $said[$code->id] ?? [];
        $offered = fn (?CodebookItem $code): array => $code === null ? [] : $code->code()->choosable();

        return EvidenceMap::of(
            $of($this->rows) ?? [],
            $of($this->columns),
            $of($this->fill),
            [$offered($this->rows), $offered($this->columns), $offered($this->fill)],
        );
    }

    /** @return Collection<int, stdClass> the studies in a cell, a publication of each */
    public function studies(string $row, string $column): Collection
    {
        $across = $this->columns === null ? '' : 'JOIN ('.self::SAID.') c ON c.study = r.study AND c.v = ?';
        $sql = 'SELECT DISTINCT ON (p.first_author, p.year, r.study) p.id, p.authors, p.year, p.title FROM ('.self::SAID.") r {$across}
            JOIN publications p ON p.review_id = ? AND coalesce(p.study_id, p.id) = r.study
            JOIN items i ON i.review_id = p.review_id AND i.publication_id = p.id AND i.stage_id = ? AND i.state = ?
            WHERE r.v = ? ORDER BY p.first_author, p.year, r.study, p.id";
        $bindings = [
            ...$this->bound($this->rows),
            ...$this->columns === null ? [] : [...$this->bound($this->columns), $column],
            $this->review->id,
            $this->review->lastStage()->id,
            ItemState::Included->value,
            $row,
        ];

        return new Collection(DB::select($sql, $bindings));
    }

    /** Studies included of which the items of the map are not answered yet. */
    public function uncounted(int $counted): int
    {
        $all = DB::table('items')
            ->join('publications', fn ($join) => $join
                ->on('publications.review_id', '=', 'items.review_id')
                ->on('publications.id', '=', 'items.publication_id'))
            ->where('items.review_id', $this->review->id)
            ->where('items.stage_id', $this->review->lastStage()->id)
            ->where('items.state', ItemState::Included->value)
            ->selectRaw('count(DISTINCT coalesce(publications.study_id, publications.id)) AS n')
            ->value('n');

        return max(0, (int) $all - $counted);
    }

    /** @return array<string, array<string, list<string>>> answers by item, then study: one pass over the rows */
    private function said(): array
    {
        $codes = array_values(array_unique(array_filter([$this->rows->id, $this->columns?->id, $this->fill?->id])));
        $sql = str_replace(
            ['SELECT DISTINCT coalesce', 'a.code_id = ?'],
            ['SELECT a.code_id, coalesce', 'a.code_id IN ('.implode(', ', array_fill(0, count($codes), '?')).')'],
            self::SAID,
        );
        $said = [];
        foreach (DB::cursor($sql, [...array_slice($this->bound($this->rows), 0, 3), ...$codes]) as $row) {
            $said[$row->code_id][$row->study][$row->v] = $row->v;
        }

        return array_map(fn (array $studies): array => array_map(array_values(...), $studies), $said);
    }

    /** @return array{string, string, string, string} */
    private function bound(CodebookItem $code): array
    {
        return [$this->review->lastStage()->id, ItemState::Included->value, $this->review->id, $code->id];
    }
}
