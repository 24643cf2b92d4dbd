<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Role;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $user_id
 * @property Role $role
 * @property ?Carbon $seen_at when this person was last in the review
 * @property ?Carbon $visited_at the end of the visit before that
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property User $user
 * @property Review $review
 */
final class Membership extends Model
{
    /** So long without a page, and a visit has ended. */
    public const MINUTES_AWAY = 30;

    protected $table = 'memberships';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    protected function casts(): array
    {
        return ['role' => Role::class, 'seen_at' => 'immutable_datetime', 'visited_at' => 'immutable_datetime'];
    }
}
