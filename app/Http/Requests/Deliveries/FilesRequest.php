<?php

declare(strict_types=1);

namespace App\Http\Requests\Deliveries;

use Carbon\CarbonImmutable;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Flow\SourceKind;

/** Files that came from a search outside, and what is said of all of them or of each. */
final class FilesRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'files' => ['required', 'array', 'max:20'],
            'files.*' => ['file', 'max:'.config('heron.largest_upload_mb') * 1024],
            'source_name' => ['required', 'string', 'max:120'],
            'searched_on' => ['required', 'date', 'before_or_equal:tomorrow', 'after:1950-01-01'],
            'notes' => ['nullable', 'string', 'max:2000'],
            'platform' => ['nullable', 'string', 'max:120'],
            'source_kind' => ['nullable', Rule::enum(SourceKind::class)],
            'sources' => ['array', 'max:20'],
            'sources.*' => ['nullable', 'string', 'max:120'],
            'kinds' => ['array', 'max:20'],
            'kinds.*' => ['nullable', Rule::enum(SourceKind::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'files.required' => 'Choose a file, or drop one here.',
            'files.*.max' => 'A file may have '.config('heron.largest_upload_mb').' MB at most.',
        ];
    }

    /** @return array<array-key, UploadedFile> */
    public function uploads(): array
    {
        return $this->validated('files');
    }

    public function sourceOf(int|string $file): string
    {
        return $this->validated("sources.{$file}") ?? $this->validated('source_name');
    }

    public function kindOf(int|string $file): string
    {
        return $this->validated("kinds.{$file}") ?? $this->validated('source_kind') ?? SourceKind::Database->value;
    }

    public function searchedOn(): CarbonImmutable
    {
        return CarbonImmutable::parse($this->validated('searched_on'));
    }

    public function said(string $field): string
    {
        return $this->validated($field) ?? '';
    }
}
