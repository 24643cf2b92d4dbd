<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * @property string $id
 * @property string $review_id
 * @property int $position
 * @property string $question
 * @property string $reason
 * @property int $version
 * @property ?Carbon $reworded_at
 * @property ?Carbon $older_left_at
 * @property ?Carbon $retired_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class Criterion extends Model
{
    protected $table = 'criteria';

    protected function casts(): array
    {
        return [
            'retired_at' => 'immutable_datetime',
            'reworded_at' => 'immutable_datetime',
            'older_left_at' => 'immutable_datetime',
        ];
    }
}
