<?php

declare(strict_types=1);

namespace App\Http\Requests\Coding;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Coding\AnswerKind;

/** The answer of two that is taken, or another one. */
final class SettledAnswerRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'take' => ['nullable', 'string', 'max:26'],
            'kind' => ['nullable', Rule::enum(AnswerKind::class)],
            'value' => ['nullable'],
            'value.*' => ['string', 'max:400'],
            'at' => ['nullable', 'integer', 'between:1,100000'],
        ];
    }

    /** Null where another answer is given. */
    public function taken(): ?string
    {
        return $this->validated('take');
    }

    public function kind(): AnswerKind
    {
        return AnswerKind::from($this->validated('kind') ?? AnswerKind::Value->value);
    }

    /** @return string|list<string>|null as the form has it */
    public function value(): string|array|null
    {
        return $this->validated('value');
    }

    /** Which of the open ones was shown. */
    public function place(): int
    {
        return (int) ($this->validated('at') ?? 1);
    }
}
