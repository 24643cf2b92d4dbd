<?php

declare(strict_types=1);

namespace App\Files\Out;

use App\Database\ArchivedTable;
use Illuminate\Support\Facades\DB;

/** A JSON Schema (draft 2020-12) of a line of each file of rows. */
final class ArchiveSchemas
{
    private const TYPES = [
        'bool' => ['type' => 'boolean'],
        'int2' => ['type' => 'integer'],
        'int4' => ['type' => 'integer'],
        'int8' => ['type' => 'integer'],
        'float4' => ['type' => 'number'],
        'float8' => ['type' => 'number'],
        'numeric' => ['type' => 'number'],
        'date' => ['type' => 'string', 'format' => 'date'],
        'timestamptz' => ['type' => 'string', 'format' => 'date-time'],
        'bytea' => ['type' => 'string', 'description' => 'bytes as hexadecimal digits after \x'],
        'jsonb' => [],
        '_int4' => ['type' => 'array', 'items' => ['type' => 'integer']],
        '_text' => ['type' => 'array', 'items' => ['type' => 'string']],
    ];

    /**
     * @param  list<ArchivedTable>  $tables
     * @return iterable<string, string> by table
     */
    public static function of(array $tables): iterable
    {
        foreach ($tables as $table) {
            yield $table->name => self::encoded($table->name, self::properties($table));
        }
        yield 'people' => self::encoded(
            'people',
            array_fill_keys(['id', 'name', 'email'], ['type' => 'string']),
        );
    }

    /** @param  array<string, array<string, mixed>>  $properties */
    private static function encoded(string $name, array $properties): string
    {
        return json_encode([
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => "A line of data/{$name}.jsonl",
            'type' => 'object',
            'properties' => array_map(fn (array $one): array|object => $one === [] ? (object) [] : $one, $properties),
            'required' => array_keys($properties),
            'additionalProperties' => false,
        ], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES)."\n";
    }

    /** @return array<string, array<string, mixed>> */
    private static function properties(ArchivedTable $table): array
    {
        $columns = DB::select(
            <<<'SQL'
            SELECT column_name, udt_name, is_nullable, character_maximum_length AS longest FROM information_schema.columns
            WHERE table_schema = current_schema AND table_name = ? AND is_generated = 'NEVER' ORDER BY ordinal_position
            SQL,
            [$table->name],
        );
        $properties = [];
        foreach ($columns as $one) {
            $is = self::TYPES[$one->udt_name]
                ?? ['type' => 'string', ...$one->longest === null ? [] : ['maxLength' => (int) $one->longest]];
            if ($one->is_nullable === 'YES' && isset($is['type'])) {
                $is['type'] = [$is['type'], 'null'];
            }
            $properties[$one->column_name] = $is;
        }

        return $properties;
    }
}
