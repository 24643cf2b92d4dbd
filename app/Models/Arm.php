<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * A group as the review knows it, whatever each study calls its own.
 *
 * @property string $id
 * @property string $review_id
 * @property int $position
 * @property string $name
 * @property string $kind intervention or comparator
 * @property string $about
 * @property ?Carbon $retired_at
 */
final class Arm extends Model
{
    protected $table = 'arms';

    protected $attributes = ['about' => ''];

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
