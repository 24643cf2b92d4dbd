<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Support\Facades\DB;

/** Puts many rows into a table at once with PostgreSQL's COPY, inside the transaction at hand. */
final class Copy
{
    /**
     * Rows are asked for as they are sent: while the server takes some in, the next are made. Whoever makes them must
     * not use the database meanwhile.
     *
     * @param  list<string>  $columns
     * @param  iterable<list<string|int|bool|null>>  $rows
     */
    public static function into(string $table, array $columns, iterable $rows): void
    {
        if ($rows === []) {
            return;
        }
        $address = RowStream::of(self::lines($rows));
        try {
            $isDone = DB::connection()
                ->getPdo()
                ->pgsqlCopyFromFile($table, $address, "\t", '\\\\N', implode(',', $columns));
        } finally {
            // what went wrong while a row was made is the reason, whatever the server says of the rest
            RowStream::closed($address);
        }
        $isDone ?: throw new \RuntimeException("COPY into {$table} failed.");
        Plans::anew();
    }

    /**
     * @param  iterable<list<string|int|bool|null>>  $rows
     * @return \Generator<int, string>
     */
    private static function lines(iterable $rows): \Generator
    {
        foreach ($rows as $row) {
            yield implode("\t", array_map(self::cell(...), $row))."\n";
        }
    }

    private static function cell(string|int|bool|null $value): string
    {
        return match (true) {
            $value === null => '\\N',
            is_bool($value) => $value ? 't' : 'f',
            is_int($value) => (string) $value,
            // most have no such sign, and looking for one is quicker than replacing none
            strpbrk($value, "\\\t\n\r\0") === false => $value,
            default => strtr($value, ['\\' => '\\\\', "\t" => '\\t', "\n" => '\\n', "\r" => '\\r', "\0" => '']),
        };
    }
}
