<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/** Puts many rows into a table at once with PostgreSQL's COPY, inside the transaction at hand. */
final class Copy
{
    /**
     * @param  list<string>  $columns
     * @param  list<list<string|int|bool|null>>  $rows
     */
    public static function into(string $table, array $columns, array $rows): void
    {
        if ($rows === []) {
            return;
        }
        $lines = array_map(fn (array $row): string => implode("\t", array_map(self::cell(...), $row)), $rows);
        DB::connection()->getPdo()->pgsqlCopyFromArray($table, $lines, "\t", '\\\\N', implode(',', $columns))
            ?: throw new \RuntimeException("COPY into {$table} failed.");
    }

    private static function cell(string|int|bool|null $value): string
    {
        return match (true) {
            $value === null => '\\N',
            is_bool($value) => $value ? 't' : 'f',
            is_int($value) => (string) $value,
            default => strtr($value, ['\\' => '\\\\', "\t" => '\\t', "\n" => '\\n', "\r" => '\\r', "\0" => '']),
        };
    }
}
