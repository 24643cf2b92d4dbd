<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;

/**
 * The dialect of a database that the team uses elsewhere.
 *
 * @property string $id
 * @property string $review_id
 * @property string $name
 * @property string $file
 * @property string $changed_by
 * @property Carbon $created_at
 * @property Carbon $updated_at
 */
final class TeamDialect extends Model
{
    protected $table = 'team_dialects';
}
