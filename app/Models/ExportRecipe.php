<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

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
    use HasUlids;

    protected function casts(): array
    {
        return ['columns' => 'array'];
    }
}
