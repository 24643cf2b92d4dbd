<?php

declare(strict_types=1);

namespace App\Queries\Question;

use App\Models\Concept;
use App\Models\Review;
use WaryHeron\Core\Question\ConceptPart;

/** The concepts of a review's question: those that its frame asks for, in its order, then the team's own. */
final readonly class Concepts
{
    /** @param  list<ConceptRow>  $rows */
    private function __construct(public array $rows)
    {
    }

    public static function of(Review $review): self
    {
        $kept = $review->concepts()->orderBy('position')->get();
        $texts = $kept->pluck('text', 'kind');
        $framed = array_map(
            fn (ConceptPart $part): ConceptRow => new ConceptRow(
                $part->key,
                $part->label,
                (string) ($texts[$part->key] ?? ''),
                $part->isForSearch,
            ),
            $review->frame->parts(),
        );
        $own = $kept
            ->filter(fn (Concept $one): bool => $one->isOwn())
            ->map(fn (Concept $one): ConceptRow => new ConceptRow($one->kind, $one->label, $one->text, isOwn: true));

        return new self([...$framed, ...$own->values()->all()]);
    }

    /** @return list<ConceptRow> */
    public function own(): array
    {
        return array_values(array_filter($this->rows, fn (ConceptRow $row): bool => $row->isOwn));
    }

    /** @return list<ConceptRow> what a search is built from; what narrows it too far is left to screening */
    public function forSearch(): array
    {
        return array_values(
            array_filter($this->rows, fn (ConceptRow $row): bool => $row->isForSearch && trim($row->text) !== ''),
        );
    }

    /** @return array<string, string> by key, without those that stand open */
    public function texts(): array
    {
        $texts = [];
        foreach ($this->rows as $row) {
            $texts[$row->key] = trim($row->text);
        }

        return array_filter($texts, fn (string $text): bool => $text !== '');
    }

    /** @return array<string, string> what was written for parts of other frames too, by key */
    public static function everWritten(Review $review): array
    {
        return $review->concepts()->pluck('text', 'kind')->map(fn (mixed $text): string => (string) $text)->all();
    }
}
