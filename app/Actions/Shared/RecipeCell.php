<?php

declare(strict_types=1);

namespace App\Actions\Shared;

/** A value as a table of another program takes it. */
final class RecipeCell
{
    /** @param  string  $kind  text, number, date or link; empty: as it is */
    public static function of(
        string $field,
        string $kind,
        string|int|float|null $value,
    ): string|int|float|\DateTimeImmutable {
        return match ($kind) {
            'number' => is_numeric($value) && strlen((string) $value) <= 15 ? $value + 0 : (string) $value,
            'date' => \DateTimeImmutable::createFromFormat('!Y-m-d', (string) $value) ?: (string) $value,
            'link' => $field === 'doi' && (string) $value !== '' ? "https://doi.org/{$value}" : (string) $value,
            'text' => (string) $value,
            default => $value ?? '',
        };
    }
}
