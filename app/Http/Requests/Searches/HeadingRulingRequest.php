<?php

declare(strict_types=1);

namespace App\Http\Requests\Searches;

use App\Http\Input;
use Illuminate\Foundation\Http\FormRequest;

/** Whether a heading of one thesaurus stands for one of another, or whether that is open again. */
final class HeadingRulingRequest extends FormRequest
{
    protected function prepareForValidation(): void
    {
        // a button of a form with many names both in one value
        [$confirmed, $standsFor] = [...explode('|', Input::text($this, 'ruling'), 2), ''];
        $this->mergeIfMissing($confirmed === '' ? [] : ['confirmed' => $confirmed, 'stands_for' => $standsFor]);
    }

    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'label' => ['required', 'string', 'max:200'],
            'scheme' => ['required', 'string'],
            'stands_for' => ['required', 'string', 'max:200'],
            'confirmed' => ['required', 'in:1,0,open'],
        ];
    }

    public function label(): string
    {
        return $this->validated('label');
    }

    public function scheme(): string
    {
        return $this->validated('scheme');
    }

    public function standsFor(): string
    {
        return $this->validated('stands_for');
    }

    /** Null where it is open again. */
    public function isSo(): ?bool
    {
        $confirmed = (string) $this->validated('confirmed');

        return $confirmed === 'open' ? null : $confirmed === '1';
    }
}
