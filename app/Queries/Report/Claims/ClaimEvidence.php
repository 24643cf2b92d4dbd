<?php

declare(strict_types=1);

namespace App\Queries\Report\Claims;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Passage;
use App\Models\Publication;
use App\Models\Result;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Synthesis\Report\Field;

/**
 * What a claim may rest on, found by words: answers, passages, results and decisions on full text, each with its
 * words, its place and its study.
 * What is kept of one says how it was when it was given, so that a change is seen.
 */
final readonly class ClaimEvidence
{
    private const MOST = 12;

    public function __construct(private Review $review)
    {
    }

    /** @return list<HeldPiece> those that hold all words */
    public function search(string $words): array
    {
        $stems = array_slice(array_filter(preg_split('/\s+/u', mb_strtolower(trim($words))) ?: []), 0, 8);
        if ($stems === []) {
            return [];
        }
        $found = array_filter($this->all(), fn (HeldPiece $one): bool => $one->hasAll(...$stems));

        return array_slice(array_values($found), 0, self::MOST);
    }

    /** @return list<HeldPiece> */
    public function all(): array
    {
        return [...$this->passages(), ...$this->answers(), ...$this->results(), ...DecisionEvidence::of($this->review)];
    }

    /**
     * What stands now behind what a claim rests on.
     *
     * @param  list<PieceRef>  $refs
     * @return array<string, HeldPiece> by their keys; what is gone is missing
     */
    public function now(array $refs): array
    {
        $asked = [];
        foreach ($refs as $one) {
            $asked[$one->kind][] = $one->id;
        }
        $all = [
            ...$this->passages($asked['passage'] ?? []),
            ...$this->answers($asked['answer'] ?? []),
            ...$this->results($asked['result'] ?? []),
            ...DecisionEvidence::of($this->review, $asked[DecisionEvidence::KIND] ?? []),
            ...ScoutedEvidence::of($this->review, $asked[ScoutedEvidence::KIND] ?? []),
        ];

        return array_combine(array_map(fn (HeldPiece $one): string => $one->key(), $all), $all);
    }

    /**
     * @param  ?list<string>  $only  ids
     * @return list<HeldPiece>
     */
    private function passages(?array $only = null): array
    {
        $passages = Passage::query()
            ->where('review_id', $this->review->id)
            ->whereNull('removed_at')
            ->when($only !== null, fn ($some) => $some->whereIn('id', $only ?? []))
            ->with(['publication', 'themes'])
            ->orderBy('id')
            ->get();

        return array_values($passages->map(fn (Passage $one): HeldPiece => $this->told(
            new PieceRef('passage', $one->id),
            $one->publication,
            $one->themes->pluck('name')->implode(', '),
            $one->piece(),
            "#passage-{$one->id}",
        ))->all());
    }

    /**
     * An answer is known by its item and study, so that one that replaces it is seen as a change.
     *
     * @param  ?list<string>  $only
     * @return list<HeldPiece>
     */
    private function answers(?array $only = null): array
    {
        $codes = $this->review->codes()->get()->keyBy('id');
        $answers = Answer::query()
            ->where('review_id', $this->review->id)
            ->where('hand', '')
            ->whereNull('superseded_at')
            ->whereIn('publication_id', CodedReports::of($this->review)->select('publication_id'))
            ->when($only !== null, fn ($some) => $some->whereIn('publication_id', self::publications($only ?? [])))
            ->with('publication')
            ->orderBy('id')
            ->get();
        $told = [];
        foreach ($answers as $one) {
            $code = $codes->get($one->code_id);
            $id = trim("{$one->publication_id} {$one->code_id} {$one->part_id}");
            if ($code instanceof CodebookItem && $one->says() && ($only === null || in_array($id, $only, true))) {
                $told[] = $this->told(
                    new PieceRef('answer', $id),
                    $one->publication,
                    "{$code->label}: {$one->shown($code->code())}",
                    $one->pieces()[0] ?? null,
                    "#item-{$one->code_id}",
                );
            }
        }

        return $told;
    }

    /**
     * @param  list<string>  $ids  of answers
     * @return list<string>
     */
    private static function publications(array $ids): array
    {
        return array_values(array_unique(array_map(fn (string $id): string => explode(' ', $id)[0], $ids)));
    }

    /**
     * @param  ?list<string>  $only
     * @return list<HeldPiece>
     */
    private function results(?array $only = null): array
    {
        $results = Result::standing($this->review)
            ->when($only !== null, fn ($some) => $some->whereIn('row_id', $only ?? []))
            ->with(['outcome', 'publication'])
            ->orderBy('row_id')
            ->get();

        return array_values($results->map(fn (Result $one): HeldPiece => $this->told(
            new PieceRef('result', $one->row_id),
            $one->publication,
            "{$one->outcome->name}: ".self::numbers($one),
            array_merge([], ...array_values($one->pieces()))[0] ?? null,
            "#result-{$one->row_id}",
        ))->all());
    }

    /** In the order of the form, as the report gives them. */
    private static function numbers(Result $result): string
    {
        $given = array_map(fn (Field $field): string => $result->given[$field->key] ?? '', $result->form->fields());

        return implode(', ', array_filter($given, fn (string $one): bool => $one !== ''));
    }

    private function told(PieceRef $ref, Publication $of, string $says, ?Evidence $piece, string $at): HeldPiece
    {
        return new HeldPiece(
            $ref->kind,
            $ref->id,
            $of->id,
            $of->called(),
            $says,
            $piece->selector->quote ?? '',
            $piece?->whereabouts() ?? '',
            route('coding.show', [$this->review, $of->id], false).$at,
        );
    }
}
