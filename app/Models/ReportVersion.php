<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A report as it was when somebody gave it a name.
 *
 * @property string $id
 * @property string $review_id
 * @property string $report_id
 * @property string $name
 * @property int $seq
 * @property array<string, mixed> $said
 * @property array<string, mixed> $kept blocks and claims
 * @property string $user_id
 * @property Carbon $created_at
 * @property User $user
 */
final class ReportVersion extends Model
{
    protected $table = 'report_versions';

    public const UPDATED_AT = null;

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['said' => 'array', 'kept' => 'array', 'seq' => 'integer'];
    }
}
