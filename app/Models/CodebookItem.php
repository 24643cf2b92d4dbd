<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use WaryHeron\Core\Coding\CodeType;

/**
 * @property string $id
 * @property string $review_id
 * @property int $position
 * @property string $label
 * @property string $guidance
 * @property CodeType $type
 * @property list<string> $options
 * @property string $unit
 * @property ?Carbon $retired_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class CodebookItem extends Model
{
    protected $table = 'codes';

    protected function casts(): array
    {
        return ['type' => CodeType::class, 'options' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
