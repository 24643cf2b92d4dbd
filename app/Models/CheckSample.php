<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * A random sample of what was unread at a stage, read to estimate how much of what is relevant has been found.
 *
 * @property string $id
 * @property string $review_id
 * @property string $stage_id
 * @property int $unread
 * @property int $found_before
 * @property int $seed
 * @property list<string> $items
 * @property string $created_by
 * @property Carbon $created_at
 */
final class CheckSample extends Model
{
    protected $table = 'check_samples';

    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['items' => 'array'];
    }
}
