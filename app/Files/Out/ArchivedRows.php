<?php

declare(strict_types=1);

namespace App\Files\Out;

use App\Database\ArchivedTable;
use App\Database\ArchivedTables;
use Illuminate\Support\Facades\DB;

/** The rows that an archive holds of a review, one JSON object to a line, in the order of their keys. */
final class ArchivedRows
{
    private const PART = 500;

    /**
     * @param  bool  $hasFullTexts  without them, what was read from the papers is left out too
     * @return \Generator<int, string>
     */
    public static function of(ArchivedTable $table, string $reviewId, bool $hasFullTexts): \Generator
    {
        if (! $hasFullTexts && $table->name === 'paper_pages') {
            return;
        }
        $columns = implode(', ', array_map(fn (string $column): string => match (true) {
            in_array($column, ArchivedTables::OF_THIS_PLACE, true) => "NULL::text AS {$column}",
            ! $hasFullTexts && $table->name === 'full_texts' && $column === 'text' => "''::text AS text",
            default => "\"{$column}\"",
        }, $table->columns));
        $order = ArchivedTable::quoted($table->key);
        $cursor = "archived_{$table->name}";
        DB::statement(
            "DECLARE {$cursor} NO SCROLL CURSOR FOR SELECT to_jsonb(archived)::text AS line FROM
                (SELECT {$columns} FROM \"{$table->name}\" WHERE {$table->ofReview()} ORDER BY {$order}) AS archived",
            $table->bound($reviewId),
        );
        do {
            $lines = DB::select('FETCH '.self::PART." FROM {$cursor}");
            foreach ($lines as $one) {
                yield "{$one->line}\n";
            }
        } while ($lines !== []);
        DB::statement("CLOSE {$cursor}");
    }

    /**
     * Who is named in the rows: id, name and address.
     *
     * @return \Generator<int, string>
     */
    public static function people(string $reviewId): \Generator
    {
        $named = $bound = [];
        foreach (ArchivedTables::all() as $table) {
            foreach ($table->people as $column) {
                $named[] = "SELECT \"{$column}\" FROM \"{$table->name}\" WHERE {$table->ofReview()}";
                $bound = [...$bound, ...$table->bound($reviewId)];
            }
        }
        $people = DB::select(
            'SELECT id, name, email FROM users WHERE id IN ('.implode(' UNION ', $named).') ORDER BY id',
            $bound,
        );
        foreach ($people as $one) {
            yield json_encode(
                ['id' => $one->id, 'name' => $one->name, 'email' => $one->email],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            )."\n";
        }
    }
}
