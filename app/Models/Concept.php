<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * @property string $id
 * @property string $review_id
 * @property string $kind
 * @property string $text
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class Concept extends Model
{
    protected $table = 'concepts';
}
