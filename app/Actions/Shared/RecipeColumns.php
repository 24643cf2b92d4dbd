<?php

declare(strict_types=1);

namespace App\Actions\Shared;

/** The columns of a recipe as people write them: a line for each, "field = heading | number". */
final readonly class RecipeColumns
{
    private const KINDS = 'text|number|date|link';

    /**
     * @param  list<RecipeColumn>  $columns  the key first
     * @param  string  $problem  what is wrong with a line; empty where nothing is
     */
    private function __construct(public array $columns, public string $problem = '')
    {
    }

    /**
     * @param  list<string>  $fields
     * @param  string  $key  the field by which rows are known again; it is always there
     */
    public static function read(string $told, array $fields, string $key): self
    {
        $columns = [$key => new RecipeColumn($key, $key)];
        foreach (preg_split('/\R/', trim($told)) ?: [] as $number => $line) {
            $column = self::column(trim($line), $fields);
            if ($column === null) {
                $field = trim((string) preg_replace('/\s*=.*$/u', '', $line));

                return new self(
                    [],
                    'Line '.($number + 1).": “{$field}” is no field. Fields: ".implode(', ', $fields).'.',
                );
            }
            $columns[$column->field] = $column;
        }

        return new self(array_values($columns));
    }

    /** @param  list<string>  $fields */
    private static function column(string $line, array $fields): ?RecipeColumn
    {
        $column = null;
        foreach ($fields as $field) {
            // a field may itself hold the sign
            $pattern = '/^'.preg_quote($field, '/').'(?:\s*=\s*(.*?))?(?:\s*\|\s*('.self::KINDS.'))?$/u';
            if (preg_match($pattern, $line, $parts) === 1 && strlen($field) > strlen($column->field ?? '')) {
                $heading = ($parts[1] ?? '') === '' ? $field : $parts[1];
                $column = new RecipeColumn($field, $heading, $parts[2] ?? '');
            }
        }

        return $column;
    }
}
