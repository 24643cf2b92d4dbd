<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Columns chosen, renamed and ordered for another program's table.
 *
 * @property string $id
 * @property string $review_id
 * @property string $table_of library, coding or scouting
 * @property string $name
 * @property list<array{field: string, heading: string, kind?: string}> $columns
 * @property string $format csv or xlsx
 * @property array<string, string> $filter as the library's address has it
 * @property string $filter_words
 * @property string $created_by
 */
final class ExportRecipe extends Model
{
    protected $table = 'export_recipes';

    protected function casts(): array
    {
        return ['columns' => 'array', 'filter' => 'array'];
    }
}
