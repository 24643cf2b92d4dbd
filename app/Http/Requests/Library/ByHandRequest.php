<?php

declare(strict_types=1);

namespace App\Http\Requests\Library;

use Illuminate\Foundation\Http\FormRequest;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;

/** A publication that somebody types in, and how it was found. */
final class ByHandRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'title' => ['required', 'string', 'max:2000'],
            'authors' => ['nullable', 'string', 'max:5000'],
            'year' => ['nullable', 'regex:/^(1[5-9]\d\d|20\d\d)$/'],
            'journal' => ['nullable', 'string', 'max:500'],
            'doi' => ['nullable', 'string', 'max:250'],
            'abstract' => ['nullable', 'string', 'max:20000'],
            'why' => ['required', 'string', 'max:500'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['why.required' => 'Say how it was found; the report will ask.'];
    }

    public function reference(): Reference
    {
        $authors = array_filter(array_map(trim(...), explode(';', $this->validated('authors') ?? '')));
        $year = $this->validated('year');

        return new Reference(
            PublicationType::Article,
            $this->validated('title'),
            array_map(Name::inverted(...), array_values($authors)),
            $year === null ? null : (int) $year,
            journal: $this->validated('journal') ?? '',
            doi: $this->validated('doi') ?? '',
            abstract: $this->validated('abstract') ?? '',
        );
    }
}
