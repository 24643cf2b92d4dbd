<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Columns chosen, renamed and ordered for another program's table.
 *
 * @property string $id
 * @property string $review_id
 * @property string $name
 * @property list<array{field: string, heading: string}> $columns
 * @property string $format csv or xlsx
 * @property string $created_by
 */
final class ExportRecipe extends Model
{
    protected $table = 'export_recipes';

    protected function casts(): array
    {
        return ['columns' => 'array'];
    }
}
