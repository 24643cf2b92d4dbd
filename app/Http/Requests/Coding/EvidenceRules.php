<?php

declare(strict_types=1);

namespace App\Http\Requests\Coding;

/** What a piece of evidence may be, wherever in a request it stands. */
final class EvidenceRules
{
    private const REST = [
        'prefix' => ['nullable', 'string', 'max:400'],
        'suffix' => ['nullable', 'string', 'max:400'],
        'place' => ['nullable', 'string', 'max:255'],
        'copy' => ['nullable', 'string', 'max:26'],
        'page' => ['nullable', 'integer', 'between:0,32000'],
        'first' => ['nullable', 'integer', 'between:-1,100000'],
        'last' => ['nullable', 'integer', 'between:-1,100000'],
        'boxes' => ['nullable', 'array', 'max:200'],
        'boxes.*' => ['array', 'size:4'],
        'boxes.*.*' => ['numeric', 'between:-1,2'],
    ];

    /** @return array<string, list<string>> */
    public static function under(string $piece): array
    {
        $rules = ['quote' => ["required_with:{$piece}", 'string', 'max:4000'], ...self::REST];

        return array_combine(array_map(fn (string $key): string => "{$piece}.{$key}", array_keys($rules)), $rules);
    }
}
