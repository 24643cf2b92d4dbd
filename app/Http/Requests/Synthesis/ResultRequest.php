<?php

declare(strict_types=1);

namespace App\Http\Requests\Synthesis;

use App\Http\Requests\Coding\EvidenceRules;
use App\Models\Comparison;
use App\Models\Review;
use App\Models\ReviewOutcome;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Synthesis\Report\ReportForm;
use WaryHeron\Core\Synthesis\Report\StudyDesign;

/** A result as the Coding Desk sends it. */
final class ResultRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'outcome' => ['required', 'string', 'max:26'],
            'comparison' => ['nullable', 'string', 'max:26'],
            'days' => ['nullable', 'integer', 'between:0,36500'],
            'time' => ['nullable', 'string', 'max:120'],
            'scale' => ['nullable', 'string', 'max:120'],
            'own1' => ['nullable', 'string', 'max:200'],
            'own2' => ['nullable', 'string', 'max:200'],
            'form' => ['required', Rule::enum(ReportForm::class)],
            'design' => ['required', Rule::enum(StudyDesign::class)],
            'given' => ['nullable', 'array', 'max:30'],
            'given.*' => ['nullable', 'string', 'max:60'],
            'evidence' => ['nullable', 'array', 'max:30'],
            'evidence.*' => ['array', 'max:10'],
            'evidence.*.*' => ['array'],
            ...EvidenceRules::under('evidence.*.*'),
            'note' => ['nullable', 'string', 'max:4000'],
            'withdrawn' => ['nullable', 'boolean'],
            'seen' => ['nullable', 'string', 'max:26'],
        ];
    }

    public function outcome(Review $review): ReviewOutcome
    {
        return ReviewOutcome::query()->where('review_id', $review->id)->whereKey($this->validated('outcome'))->first()
            ?? throw ValidationException::withMessages(['outcome' => 'This review has no such outcome.']);
    }

    /** @return array<string, string|int|bool|ReportForm|StudyDesign|array<string, string>|null> of Result */
    public function values(Review $review): array
    {
        $outcome = $this->outcome($review);
        $form = ReportForm::from($this->validated('form'));
        if ($form->kind() !== $outcome->kind) {
            throw ValidationException::withMessages(['form' => "“{$outcome->name}” is not reported in this form."]);
        }
        $text = fn (string $key): string => trim((string) $this->validated($key));

        return [
            'outcome_id' => $outcome->id,
            'comparison_id' => $outcome->kind->isOfTwo() ? $this->comparison($review) : null,
            'days' => $this->validated('days') === null ? null : (int) $this->validated('days'),
            'time_told' => $text('time'),
            'scale' => $text('scale'),
            'own_intervention' => $text('own1'),
            'own_comparator' => $text('own2'),
            'form' => $form,
            'design' => StudyDesign::from($this->validated('design')),
            'given' => $this->given(),
            'note' => $text('note'),
            'withdrawn' => (bool) $this->validated('withdrawn'),
        ];
    }

    /** @return array<string, list<Evidence>> by field */
    public function evidence(): array
    {
        return array_map(
            fn (array $pieces): array => array_values(array_map(Evidence::fromArray(...), $pieces)),
            array_intersect_key($this->validated('evidence') ?? [], $this->fields()),
        );
    }

    /** The version that the page showed, '' for none, null where it does not say. */
    public function seen(): ?string
    {
        return $this->has('seen') ? (string) $this->validated('seen') : null;
    }

    private function comparison(Review $review): string
    {
        return Comparison::query()->where('review_id', $review->id)->whereKey($this->validated('comparison'))->value('id')
            ?? throw ValidationException::withMessages(['comparison' => 'Say which groups are compared.']);
    }

    /** @return array<string, string> by field, without what is empty */
    private function given(): array
    {
        $given = array_map(
            fn (?string $one): string => trim((string) $one),
            array_intersect_key($this->validated('given') ?? [], $this->fields()),
        );

        return array_filter($given, fn (string $one): bool => $one !== '');
    }

    /** @return array<string, int> the fields that form and design have */
    private function fields(): array
    {
        $fields = [
            ...ReportForm::from($this->validated('form'))->fields(),
            ...StudyDesign::from($this->validated('design'))->fields(),
        ];

        return array_flip(array_column($fields, 'key'));
    }
}
