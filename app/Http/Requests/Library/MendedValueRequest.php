<?php

declare(strict_types=1);

namespace App\Http\Requests\Library;

use App\Actions\Library\ChooseValues;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Bibliography\PublicationType;

/** What a field of a publication is to show instead of what its records say, or that it goes back to that. */
final class MendedValueRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        $field = $this->input('field');

        return [
            'field' => ['required', 'in:'.implode(',', ChooseValues::FIELDS)],
            'back' => ['boolean'],
            'value' => [
                'nullable',
                'string',
                'max:20000',
                Rule::when($field === 'year', ['regex:/^(|1[5-9]\d\d|20\d\d)$/']),
                Rule::when($field === 'type', [Rule::enum(PublicationType::class)]),
                Rule::when($field === 'title' && ! $this->boolean('back'), ['required']),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['value.regex' => 'A year has four digits.', 'value.required' => 'A publication needs a title.'];
    }

    public function field(): string
    {
        return $this->validated('field');
    }

    /** Null where it goes back to what the records say. */
    public function value(): ?string
    {
        return ($this->validated('back') ?? false) ? null : trim($this->validated('value') ?? '');
    }
}
