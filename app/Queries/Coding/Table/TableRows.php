<?php

declare(strict_types=1);

namespace App\Queries\Coding\Table;

use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\EvidenceView;
use Illuminate\Support\Collection;
use stdClass;
use WaryHeron\Core\Coding\Evidence;

/** The table of codings as rows of a file: a heading, then a row for each study in the order shown. */
final readonly class TableRows
{
    /** What may stand beside each answer, with the words at the head of its column. */
    public const PARTS = ['quote' => 'evidence', 'place' => 'place', 'coder' => 'answered by', 'note' => 'note'];

    private const SLICE = 200;

    /** @param  list<string>  $parts  of PARTS */
    public function __construct(private Review $review, private TableTerms $terms, private array $parts)
    {
    }

    /** @return \Generator<int, list<string|int|float|null>> */
    public function all(): \Generator
    {
        yield $this->headings();
        foreach ((new TableStudies($this->review, $this->terms))->all()->chunk(self::SLICE) as $studies) {
            yield from $this->slice($studies);
        }
    }

    /** @return list<string> the first is the key, which stays the same for good */
    public function headings(): array
    {
        $heads = ['id', 'title', 'authors', 'year', 'journal', 'doi'];
        foreach ($this->terms->shown() as $code) {
            $heads[] = $code->unit === '' ? $code->label : "{$code->label} ({$code->unit})";
            foreach ($this->parts as $part) {
                $heads[] = "{$code->label}: ".self::PARTS[$part];
            }
        }

        return $heads;
    }

    private function view(): EvidenceView
    {
        return once(fn (): EvidenceView => EvidenceView::of($this->review));
    }

    /**
     * @param  Collection<int, stdClass>  $studies
     * @return \Generator<int, list<string|int|float|null>>
     */
    private function slice(Collection $studies): \Generator
    {
        $answers = CodingTable::answersOf(
            $this->review,
            array_values($studies->pluck('id')->all()),
            inFull: $this->parts !== [],
        );
        foreach ($studies as $study) {
            $about = [$study->id, $study->title, $study->authors, $study->year, $study->journal, $study->doi];
            foreach ($this->terms->shown() as $code) {
                array_push($about, ...$this->cells($code, $answers[$study->id][$code->id] ?? null));
            }
            yield $about;
        }
    }

    /** @return list<string|int|float|null> */
    private function cells(CodebookItem $code, ?TableAnswer $answer): array
    {
        $pieces = $answer?->pieces() ?? [];
        $lines = fn (\Closure $of): string => implode("\n", array_map($of, $pieces));
        $cells = [$answer?->plain()];
        foreach ($this->parts as $part) {
            $cells[] = match ($part) {
                'quote' => $lines(fn (Evidence $one): string => $one->selector->quote),
                'place' => $lines(fn (Evidence $one): string => $this->view()->shown($one)->where),
                'coder' => $answer?->coder(),
                default => $answer?->note(),
            };
        }

        return $cells;
    }
}
