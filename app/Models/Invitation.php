<?php

declare(strict_types=1);

namespace App\Models;

use App\Access\Role;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $email
 * @property Role $role
 * @property string $token_hash
 * @property string $invited_by
 * @property Carbon $expires_at
 * @property ?Carbon $accepted_at
 * @property ?Carbon $withdrawn_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property Review $review
 * @property User $inviter
 */
final class Invitation extends Model
{
    protected $table = 'invitations';

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return BelongsTo<User, $this> */
    public function inviter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'invited_by');
    }

    protected function casts(): array
    {
        return [
            'role' => Role::class,
            'expires_at' => 'immutable_datetime',
            'accepted_at' => 'immutable_datetime',
            'withdrawn_at' => 'immutable_datetime',
        ];
    }
}
