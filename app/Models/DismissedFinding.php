<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $strategy_id
 * @property string $finding
 * @property string $reason
 * @property string $dismissed_by
 * @property Carbon $dismissed_at
 * @property User $dismisser
 */
final class DismissedFinding extends Model
{
    protected $table = 'dismissed_findings';

    public $timestamps = false;

    /** @return BelongsTo<User, $this> */
    public function dismisser(): BelongsTo
    {
        return $this->belongsTo(User::class, 'dismissed_by');
    }

    protected function casts(): array
    {
        return ['dismissed_at' => 'immutable_datetime'];
    }
}
