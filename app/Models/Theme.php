<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * A name that passages are put under, in a tree that grows while people read.
 *
 * @property string $id
 * @property string $review_id
 * @property ?string $parent_id
 * @property string $name
 * @property Carbon $created_at
 */
final class Theme extends Model
{
    protected $table = 'themes';
}
