<?php

declare(strict_types=1);

namespace App\Console;

/** One row of a CSV file. */
final readonly class CsvRow
{
    /** @param  array<string, string>  $cells */
    public function __construct(private array $cells)
    {
    }

    public function text(string $column): string
    {
        return $this->cells[$column] ?? '';
    }

    /** Null where there is none, or it is no number. */
    public function number(string $column): ?float
    {
        $text = str_replace("\u{2212}", '-', $this->text($column));

        return is_numeric($text) && is_finite((float) $text) ? (float) $text : null;
    }

    /** @return list<?float> */
    public function numbers(string ...$columns): array
    {
        return array_map($this->number(...), array_values($columns));
    }
}
