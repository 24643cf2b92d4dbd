<?php

declare(strict_types=1);

namespace App\Files\Out;

use App\Database\ArchivedTable;
use Illuminate\Support\Facades\DB;
use stdClass;

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
        $properties = self::properties(array_column($tables, 'name'));
        foreach ($tables as $table) {
            yield $table->name => self::encoded($table->name, $properties[$table->name]);
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

    /**
     * @param  list<string>  $tables
     * @return array<string, array<string, array<string, string|int|list<string>|array<string, string>>>> by table and column
     */
    private static function properties(array $tables): array
    {
        $columns = DB::table('information_schema.columns')
            ->whereRaw('table_schema = current_schema')
            ->whereIn('table_name', $tables)
            ->where('is_generated', 'NEVER')
            ->orderBy('ordinal_position')
            ->get(['table_name', 'column_name', 'udt_name', 'is_nullable', 'character_maximum_length AS longest']);
        $properties = array_fill_keys($tables, []);
        foreach ($columns as $one) {
            $properties[$one->table_name][$one->column_name] = self::property($one);
        }

        return $properties;
    }

    /** @return array<string, string|int|list<string>|array<string, string>> */
    private static function property(stdClass $column): array
    {
        $longest = $column->longest === null ? [] : ['maxLength' => (int) $column->longest];
        $is = self::TYPES[$column->udt_name] ?? ['type' => 'string', ...$longest];

        return $column->is_nullable === 'YES' && isset($is['type'])
            ? [...$is, 'type' => [$is['type'], 'null']]
            : $is;
    }
}
