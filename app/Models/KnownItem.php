<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * A record that the team knows to be relevant.
 *
 * @property string $id
 * @property string $review_id
 * @property string $title
 * @property string $doi
 * @property ?int $year
 * @property string $added_by
 * @property Carbon $added_at
 */
final class KnownItem extends Model
{
    protected $table = 'known_items';

    public $timestamps = false;

    protected function casts(): array
    {
        return ['added_at' => 'immutable_datetime'];
    }
}
