<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Tables;

use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\DepthSubset;
use App\Queries\Coding\Table\ItemFilter;
use App\Queries\Coding\Table\TableAnswer;
use App\Queries\Coding\Table\TableRows;
use App\Queries\Coding\Table\TableStudies;
use App\Queries\Coding\Table\TableTerms;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use stdClass;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

/** A table of studies, run on what there is now. */
final readonly class StudyTable
{
    private const SLICE = 200;

    /**
     * @param  Collection<int, stdClass>  $studies  in their order
     * @param  list<ItemFilter>  $filters
     */
    private function __construct(
        private Review $review,
        public TableDefinition $terms,
        public Collection $studies,
        public array $filters,
        public StudyColumns $columns,
        public ?CodebookItem $by,
    ) {
    }

    public static function of(Review $review, TableDefinition $terms): self
    {
        $items = TableTerms::codesOf($review);
        $filters = ItemFilter::all($items, $terms->filters);
        $isOrder = in_array($terms->sort, TableTerms::SORTS, true) || $items->has($terms->sort);
        $asked = new TableTerms($items, [], $filters, $isOrder ? $terms->sort : 'author', $terms->descending);
        $studies = (new TableStudies($review, $asked))->all();
        if ($terms->subset === TableDefinition::IN_DEPTH) {
            $in = DepthSubset::of($review)->studies()->pluck('id')->flip()->all();
            $studies = $studies->filter(fn (stdClass $one): bool => isset($in[$one->id]))->values();
        }

        return new self($review, $terms, $studies, $filters, StudyColumns::of($review, $terms, $items), $items->get($terms->groups));
    }

    /**
     * @param  int  $most  studies; the rest are in the files
     * @return array<array-key, list<StudyRow>> by group, under '' where there are none; a study of several groups stands
     *     in each
     */
    public function groups(int $most): array
    {
        $studies = $this->studies->take($most);
        $ids = array_values(array_map(strval(...), $studies->pluck('id')->all()));
        $cells = $this->columns->cells($ids);
        $said = $this->by === null ? [] : CodingTable::answersOf($this->review, $ids);
        $groups = $this->by === null ? [] : array_fill_keys($this->by->code()->choosable(), []);
        foreach ($studies as $study) {
            foreach ($this->by === null ? [''] : self::named($said[$study->id][$this->by->id] ?? null) as $group) {
                $groups[$group][] = new StudyRow($study, $cells[$study->id] ?? []);
            }
        }

        return array_filter($groups, fn (array $rows): bool => $rows !== []);
    }

    /** How a study is called at the head of its row. */
    public static function called(stdClass $study): string
    {
        return trim(Str::before((string) $study->authors, ';').' '.$study->year) ?: Str::limit((string) $study->title, 60);
    }

    /** @return \Generator<int, list<string|int|float|null>> of a file: a heading, then a row for each study in each group */
    public function rows(): \Generator
    {
        $heads = [];
        foreach ($this->columns->heads as $head) {
            $parts = array_map(fn (string $part): string => "{$head}: ".TableRows::PARTS[$part], $this->terms->parts);
            array_push($heads, $head, ...$parts);
        }
        yield [...($this->by === null ? [] : [$this->by->label]), 'study', 'title', 'year', 'doi', ...$heads];
        foreach ($this->slices() as $group => $row) {
            [$study, $cells] = [$row->study, $row->cells];
            $line = $this->by === null ? [] : [$group];
            array_push($line, self::called($study), $study->title, $study->year, $study->doi);
            foreach (array_keys($this->columns->heads) as $key) {
                array_push($line, ...($cells[$key] ?? new StudyCell())->forFile(...$this->terms->parts));
            }
            yield $line;
        }
    }

    /** @return \Generator<string, StudyRow> by group */
    private function slices(): \Generator
    {
        // groups need all studies at once; without them they pass slice by slice
        foreach ($this->by === null ? $this->studies->chunk(self::SLICE) : [$this->studies] as $slice) {
            $part = new self($this->review, $this->terms, $slice->values(), $this->filters, $this->columns, $this->by);
            foreach ($part->groups(PHP_INT_MAX) as $group => $rows) {
                foreach ($rows as $row) {
                    yield (string) $group => $row;
                }
            }
        }
    }

    /** @return list<string> what a study is grouped under */
    private static function named(?TableAnswer $answer): array
    {
        return match (true) {
            $answer === null => ['no answer'],
            $answer->value === null => [$answer->kind->label()],
            default => array_map(strval(...), array_values((array) $answer->value)),
        };
    }
}
