<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\Passage;
use App\Models\Result;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
use Illuminate\Support\Collection;
use WaryHeron\Core\Synthesis\Report\Field;

/**
 * What a claim may rest on, found by words: answers, passages, results and decisions on full text, each with its words, its place and its study.
 * What is kept of one says how it was when it was given, so that a change is seen.
 */
final readonly class ClaimEvidence
{
    private const MOST = 12;

    public function __construct(private Review $review)
    {
    }

    /** @return list<array<string, mixed>> kind, id, study, says, quote, where, url; those that hold all words */
    public function search(string $words): array
    {
        $stems = array_slice(array_filter(preg_split('/\s+/u', mb_strtolower(trim($words))) ?: []), 0, 8);
        if ($stems === []) {
            return [];
        }
        $has = fn (array $one): bool => array_filter(
            $stems,
            fn (string $stem): bool => ! str_contains(mb_strtolower("{$one['study']} {$one['says']} {$one['quote']}"), $stem),
        ) === [];

        return array_slice(array_values(array_filter($this->all(), $has)), 0, self::MOST);
    }

    /** @return list<array<string, mixed>> */
    public function all(): array
    {
        return [...$this->passages(), ...$this->answers(), ...$this->results(), ...DecisionEvidence::of($this->review)];
    }

    /**
     * What stands now behind what a claim rests on.
     *
     * @param  list<array<string, mixed>>  $kept
     * @return array<string, array<string, mixed>> by kind and id; what is gone is missing
     */
    public function now(array $kept): array
    {
        $now = [];
        $asked = collect($kept)->groupBy('kind')->map(fn (Collection $of): array => $of->pluck('id')->all());
        $all = [
            ...$this->passages($asked['passage'] ?? []),
            ...$this->answers($asked['answer'] ?? []),
            ...$this->results($asked['result'] ?? []),
            ...DecisionEvidence::of($this->review, $asked[DecisionEvidence::KIND] ?? []),
            ...ScoutedEvidence::of($this->review, $asked[ScoutedEvidence::KIND] ?? []),
        ];
        foreach ($all as $one) {
            $now[self::key($one)] = $one;
        }

        return $now;
    }

    /** @param  array<string, mixed>  $one  as it is kept, found or asked for: kind and id */
    public static function key(array $one): string
    {
        return "{$one['kind']} {$one['id']}";
    }

    /**
     * @param  ?array<mixed>  $only  ids
     * @return list<array<string, mixed>>
     */
    private function passages(?array $only = null): array
    {
        return array_values(Passage::query()
            ->where('review_id', $this->review->id)
            ->whereNull('removed_at')
            ->when($only !== null, fn ($some) => $some->whereIn('id', $only ?? []))
            ->with(['publication', 'themes'])
            ->orderBy('id')
            ->get()
            ->map(fn (Passage $one): array => $this->told('passage', $one->id, $one->publication_id, $one->publication->called(), [
                'says' => $one->themes->pluck('name')->implode(', '),
                'quote' => $one->piece()->selector->quote,
                'where' => $one->piece()->whereabouts(),
            ], "#passage-{$one->id}"))
            ->all());
    }

    /**
     * An answer is known by its item and study, so that one that replaces it is seen as a change.
     *
     * @param  ?array<mixed>  $only
     * @return list<array<string, mixed>>
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
            $id = "{$one->publication_id} {$one->code_id} {$one->part_id}";
            if ($code instanceof CodebookItem && $one->says() && ($only === null || in_array(trim($id), $only, true))) {
                $told[] = $this->answer(trim($id), $one, $code);
            }
        }

        return $told;
    }

    /** @return array<string, mixed> */
    private function answer(string $id, Answer $one, CodebookItem $code): array
    {
        $piece = $one->pieces()[0] ?? null;

        return $this->told('answer', $id, $one->publication_id, $one->publication->called(), [
            'says' => "{$code->label}: {$one->shown($code->code())}",
            'quote' => $piece->selector->quote ?? '',
            'where' => $piece?->whereabouts() ?? '',
        ], "#item-{$one->code_id}");
    }

    /**
     * @param  array<mixed>  $ids  of answers
     * @return list<string>
     */
    private static function publications(array $ids): array
    {
        return array_values(array_unique(array_map(fn (mixed $id): string => explode(' ', (string) $id)[0], $ids)));
    }

    /**
     * @param  ?array<mixed>  $only
     * @return list<array<string, mixed>>
     */
    private function results(?array $only = null): array
    {
        return array_values(Result::standing($this->review)
            ->when($only !== null, fn ($some) => $some->whereIn('row_id', $only ?? []))
            ->with(['outcome', 'publication'])
            ->orderBy('row_id')
            ->get()
            ->map(function (Result $one): array {
                $piece = array_merge([], ...array_values($one->pieces()))[0] ?? null;

                return $this->told('result', $one->row_id, $one->publication_id, $one->publication->called(), [
                    'says' => "{$one->outcome->name}: ".self::numbers($one),
                    'quote' => $piece->selector->quote ?? '',
                    'where' => $piece?->whereabouts() ?? '',
                ], "#result-{$one->row_id}");
            })
            ->all());
    }

    /** In the order of the form, as the report gives them. */
    private static function numbers(Result $result): string
    {
        $given = array_map(fn (Field $field): string => $result->given[$field->key] ?? '', $result->form->fields());

        return implode(', ', array_filter($given, fn (string $one): bool => $one !== ''));
    }

    /**
     * @param  array{says: string, quote: string, where: string}  $what
     * @return array<string, mixed>
     */
    private function told(string $kind, string $id, string $publication, string $study, array $what, string $at): array
    {
        return [
            'kind' => $kind,
            'id' => $id,
            'publication' => $publication,
            'study' => $study,
            ...$what,
            'url' => route('coding.show', [$this->review, $publication], false).$at,
        ];
    }
}
