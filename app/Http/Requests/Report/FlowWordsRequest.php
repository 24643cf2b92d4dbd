<?php

declare(strict_types=1);

namespace App\Http\Requests\Report;

use Illuminate\Foundation\Http\FormRequest;

/** The words of the flow diagram, and what an earlier version of the review had found. */
final class FlowWordsRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        $number = ['nullable', 'integer', 'min:0', 'max:1000000'];

        return [
            'captions' => ['array', 'max:200'],
            'captions.*' => ['nullable', 'string', 'max:120'],
            'previous_studies' => $number,
            'previous_reports' => [...$number, 'required_with:previous_studies', 'gte:previous_studies'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'previous_reports.gte' => 'There are never fewer reports than studies.',
            'previous_reports.required_with' => 'Say also how many reports told of them.',
        ];
    }

    /** @return array<array-key, ?string> */
    public function captions(): array
    {
        return $this->validated('captions') ?? [];
    }

    /** @return ?array<string, int> studies and reports; null where there was no earlier version */
    public function previous(): ?array
    {
        return $this->validated('previous_studies') === null ? null : [
            'studies' => (int) $this->validated('previous_studies'),
            'reports' => (int) $this->validated('previous_reports'),
        ];
    }
}
