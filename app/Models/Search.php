<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $review_id
 * @property string $name
 * @property string $source
 * @property string $query
 * @property ?int $count
 * @property ?Carbon $counted_at
 * @property string $created_by
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property User $creator
 * @property Review $review
 */
final class Search extends Model
{
    use HasUlids;

    /** @return BelongsTo<User, $this> */
    public function creator(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return HasMany<Delivery, $this> */
    public function deliveries(): HasMany
    {
        return $this->hasMany(Delivery::class);
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    protected function casts(): array
    {
        return ['counted_at' => 'immutable_datetime'];
    }
}
