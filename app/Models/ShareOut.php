<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $stage_id
 * @property string $name
 * @property array<string, mixed> $terms
 * @property int $seed
 * @property int $items
 * @property string $created_by
 * @property Carbon $created_at
 * @property ?Carbon $withdrawn_at
 * @property Stage $stage
 * @property User $creator
 */
final class ShareOut extends Model
{
    protected $table = 'share_outs';

    public const UPDATED_AT = null;

    /** @return BelongsTo<Stage, $this> */
    public function stage(): BelongsTo
    {
        return $this->belongsTo(Stage::class);
    }

    /** @return BelongsTo<User, $this> */
    public function creator(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    protected function casts(): array
    {
        return ['terms' => 'array', 'withdrawn_at' => 'immutable_datetime'];
    }
}
