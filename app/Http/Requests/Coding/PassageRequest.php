<?php

declare(strict_types=1);

namespace App\Http\Requests\Coding;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\ThemePath;

/** A passage with the themes that it goes under, as the Coding Desk sends it. */
final class PassageRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'themes' => ['required', 'string', 'max:1000'],
            'memo' => ['nullable', 'string', 'max:4000'],
            'piece' => [$this->isMethod('post') ? 'required' : 'nullable', 'array'],
            ...EvidenceRules::under('piece'),
        ];
    }

    public function piece(): Evidence
    {
        return Evidence::fromArray($this->validated('piece'));
    }

    /** @return list<non-empty-list<string>> */
    public function paths(): array
    {
        $paths = ThemePath::all($this->validated('themes'));

        return $paths === [] ? throw ValidationException::withMessages(['themes' => 'Name a theme.']) : $paths;
    }

    public function memo(): string
    {
        return trim((string) $this->validated('memo'));
    }
}
