<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\CodingTable;
use Illuminate\Database\Eloquent\Collection as Models;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Synthesis\Map\EvidenceMap;

/** Included studies counted by what the codebook says of them. */
final readonly class MapQuery
{
    /** @var array<string, array<string, list<string>>> answers by item, then study */
    private array $said;

    public function __construct(
        private Review $review,
        private CodebookItem $rows,
        private ?CodebookItem $columns,
        private ?CodebookItem $fill,
    ) {
        $this->said = $this->said();
    }

    /** @return Models<int, CodebookItem> those whose answers can be counted */
    public static function items(Review $review): Models
    {
        $codes = $review->codes()->whereNull('retired_at')->get();

        return $codes->filter(fn (CodebookItem $one): bool => $one->code()->choosable() !== [])->values();
    }

    public function map(): EvidenceMap
    {
        return once(fn (): EvidenceMap => $this->mapOf($this->said[$this->rows->id] ?? []));
    }

    /**
     * The same matrix of those studies that give each answer to the third item; of those that give none, under ''.
     *
     * @return array<array-key, EvidenceMap> by answer, where there are studies
     */
    public function layers(): array
    {
        if ($this->fill === null) {
            return [];
        }
        $down = $this->said[$this->rows->id] ?? [];
        $thirds = $this->said[$this->fill->id] ?? [];
        $layers = ['' => array_diff_key($down, $thirds)];
        foreach (array_intersect_key($thirds, $down) as $study => $answers) {
            foreach ($answers as $answer) {
                $layers[$answer][$study] = $down[$study];
            }
        }
        $maps = [];
        foreach ([...$this->map()->fills, ''] as $answer) {
            $maps[$answer] = $this->mapOf($layers[$answer] ?? []);
        }

        return array_filter($maps, fn (EvidenceMap $map): bool => $map->studies > 0);
    }

    /** @param  array<string, list<string>>  $down  answers to the item of the rows, by study */
    private function mapOf(array $down): EvidenceMap
    {
        $of = fn (?CodebookItem $code): ?array => $code === null ? null : $this->said[$code->id] ?? [];
        $offered = fn (?CodebookItem $code): array => $code === null ? [] : $code->code()->choosable();

        return EvidenceMap::of(
            $down,
            $of($this->columns),
            $of($this->fill),
            [$offered($this->rows), $offered($this->columns), $offered($this->fill)],
        );
    }

    /** @return Collection<int, stdClass> the studies in a cell, by their first report */
    public function studies(string $row, string $column): Collection
    {
        $says = fn (?CodebookItem $code, string $study, string $what): bool => $code === null ||
            in_array($what, $this->said[$code->id][$study] ?? [], true);
        $studies = array_filter(
            array_keys($this->said[$this->rows->id] ?? []),
            fn (string $study): bool => $says($this->rows, $study, $row) && $says($this->columns, $study, $column),
        );

        $study = fn (stdClass $one): string => $one->study_id ?? $one->id;

        return CodingTable::included($this->review)->unique($study)->keyBy($study)->only($studies)->values();
    }

    /** @return array<string, array<string, list<stdClass>>> the studies of each cell that has any, by row, then column */
    public function byCell(): array
    {
        $studies = CodingTable::included($this->review)->keyBy(
            fn (stdClass $one): string => $one->study_id ?? $one->id,
        );
        $cells = [];
        foreach ($this->said[$this->rows->id] ?? [] as $study => $down) {
            $across = $this->columns === null ? [''] : $this->said[$this->columns->id][$study] ?? [];
            foreach ($studies->has($study) ? $down : [] as $row) {
                foreach ($across as $column) {
                    $cells[$row][$column][] = $studies[$study];
                }
            }
        }

        return $cells;
    }

    /** Studies included of which the items of the map are not answered yet. */
    public function uncounted(int $counted): int
    {
        $all = CodedReports::count($this->review);

        return max(0, $all - $counted);
    }

    /**
     * What is said of each included study, in one pass over the rows. An answer that is no value says which kind it is.
     *
     * @return array<string, array<string, list<string>>> answers by item, then study
     */
    private function said(): array
    {
        $codes = array_values(array_unique(array_filter([$this->rows->id, $this->columns?->id, $this->fill?->id])));
        $rows = DB::cursor(
            <<<'SQL'
            SELECT a.code_id, r.study, said.v
            FROM standing_answers a
            JOIN coded_reports r ON r.review_id = a.review_id AND r.publication_id = a.publication_id
                AND r.review_id = ? AND r.stage_id = ?
            CROSS JOIN LATERAL (
                SELECT jsonb_array_elements_text(
                    CASE jsonb_typeof(a.value) WHEN 'array' THEN a.value ELSE jsonb_build_array(a.value) END
                ) AS v WHERE a.kind = 'value'
                UNION ALL SELECT replace(a.kind, '-', ' ') WHERE a.kind <> 'value'
            ) AS said
            WHERE a.review_id = ? AND a.code_id = ANY (?::bpchar[])
            SQL,
            [
                $this->review->id,
                $this->review->lastStage()->id,
                $this->review->id,
                '{'.implode(',', $codes).'}',
            ],
        );
        $said = [];
        foreach ($rows as $row) {
            $said[$row->code_id][$row->study][$row->v] = $row->v;
        }

        return array_map(fn (array $studies): array => array_map(array_values(...), $studies), $said);
    }
}
