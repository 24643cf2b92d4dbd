<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $review_id
 * @property int $position
 * @property string $question
 * @property string $reason
 * @property ?Carbon $retired_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class Criterion extends Model
{
    use HasUlids;

    protected $table = 'criteria';

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
