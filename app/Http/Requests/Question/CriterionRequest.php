<?php

declare(strict_types=1);

namespace App\Http\Requests\Question;

use Illuminate\Foundation\Http\FormRequest;

/** What a criterion asks, and what an exclusion by it is called. */
final class CriterionRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return ['question' => ['required', 'string', 'max:400'], 'reason' => ['required', 'string', 'max:120']];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return ['question' => 'criterion'];
    }

    public function question(): string
    {
        return $this->validated('question');
    }

    public function reason(): string
    {
        return $this->validated('reason');
    }
}
