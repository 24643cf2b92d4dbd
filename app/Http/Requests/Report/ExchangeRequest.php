<?php

declare(strict_types=1);

namespace App\Http\Requests\Report;

use App\Actions\Report\ExchangeUpdates;
use Illuminate\Foundation\Http\FormRequest;

/** What a page that writes the report changed, up to where it has heard, and where its writer is. */
final class ExchangeRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'schema' => ['required', 'integer'],
            'after' => ['required', 'integer', 'min:-1'],
            'client' => ['required', 'integer', 'min:0', 'max:9007199254740991'],
            'update' => [
                'nullable',
                'string',
                'max:'.(int) (ExchangeUpdates::LARGEST * 1.4),
                'regex:~^[A-Za-z0-9+/]++={0,2}$~',
            ],
            'presence' => ['nullable', 'string', 'max:8000', 'regex:~^[A-Za-z0-9+/]*={0,2}$~'],
        ];
    }

    public function schema(): int
    {
        return (int) $this->validated('schema');
    }

    /** The last that the page has heard of. */
    public function heard(): int
    {
        return (int) $this->validated('after');
    }

    public function client(): int
    {
        return (int) $this->validated('client');
    }

    /** In base64; null where nothing was written. */
    public function update(): ?string
    {
        return $this->validated('update');
    }

    public function presence(): string
    {
        return $this->validated('presence') ?? '';
    }
}
