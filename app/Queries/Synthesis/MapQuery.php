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
        $cells = $split = $rowTotals = $columnTotals = [];
        $studies = 0;
        foreach ($this->counted() as $one) {
            [$row, $column, $fill, $n] = [$one->r ?? '', $one->c ?? '', $one->f ?? '', (int) $one->n];
            match ((int) $one->level) {
                0 => $split[$row][$column][$fill] = $n,
                1 => $cells[$row][$column] = $n,
                3 => $rowTotals[$row] = $n,
                5 => $columnTotals[$column] = $n,
                default => $studies = $n,
            };
        }

        return new EvidenceMap(
            self::ordered($this->rows, array_keys($rowTotals)),
            $this->columns === null ? [''] : self::ordered($this->columns, array_keys($columnTotals)),
            $this->fill === null ? [] : self::ordered($this->fill, self::fills($split), all: false),
            $cells,
            $split,
            $rowTotals,
            $columnTotals,
            $studies,
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

    /** @return list<stdClass> counts of each cell, each part of one, each total and all, told apart by level */
    private function counted(): array
    {
        $bindings = $this->bound($this->rows);
        $columns = "(SELECT study, '' AS v FROM r)";
        if ($this->columns !== null) {
            $columns = '('.self::SAID.')';
            array_push($bindings, ...$this->bound($this->columns));
        }
        $fill = "(SELECT study, '' AS v FROM r)";
        if ($this->fill !== null) {
            $fill = '('.self::SAID.')';
            array_push($bindings, ...$this->bound($this->fill));
        }

        return array_values(DB::select(
            'WITH r AS ('.self::SAID."), c AS {$columns}, f AS {$fill}
            SELECT r.v AS r, c.v AS c, f.v AS f, GROUPING(r.v, c.v, f.v) AS level, count(DISTINCT r.study) AS n
            FROM r JOIN c ON c.study = r.study LEFT JOIN f ON f.study = r.study
            GROUP BY GROUPING SETS ((r.v, c.v, f.v), (r.v, c.v), (r.v), (c.v), ())",
            $bindings,
        ));
    }

    /** @return array{string, string, string, string} */
    private function bound(CodebookItem $code): array
    {
        return [$this->review->lastStage()->id, ItemState::Included->value, $this->review->id, $code->id];
    }

    /**
     * @param  array<string, array<string, array<string, int>>>  $split
     * @return list<string>
     */
    private static function fills(array $split): array
    {
        $fills = [];
        foreach ($split as $row) {
            foreach ($row as $cell) {
                $fills += $cell;
            }
        }

        return array_values(array_filter(array_map(strval(...), array_keys($fills)), fn (string $one): bool => $one !== ''));
    }

    /**
     * In the order of the codebook, then what else was answered.
     *
     * @param  list<string|int>  $said
     * @param  bool  $all  with options that nobody has chosen: gaps are shown
     * @return list<string>
     */
    private static function ordered(CodebookItem $code, array $said, bool $all = true): array
    {
        $said = array_map(strval(...), $said);
        $options = $code->code()->choosable();

        return array_values(array_unique([
            ...$all ? $options : array_values(array_intersect($options, $said)),
            ...array_values(array_diff($said, $options)),
        ]));
    }
}
