<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property ?string $user_id
 * @property string $action
 * @property ?string $subject_type
 * @property ?string $subject_id
 * @property string $summary
 * @property array<string, mixed> $details
 * @property ?string $blinded_item_id
 * @property Carbon $created_at
 * @property User $user
 */
final class LogEntry extends Model
{
    protected $table = 'log_entries';

    public const UPDATED_AT = null;

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['details' => 'array'];
    }
}
