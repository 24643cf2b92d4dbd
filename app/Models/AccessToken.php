<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * By which a program works in one review for a person.
 *
 * @property string $id
 * @property string $review_id
 * @property string $tokenable_id
 * @property string $name
 * @property list<string> $abilities
 * @property ?Carbon $last_used_at
 * @property Carbon $expires_at
 * @property Carbon $created_at
 * @property User $owner
 */
final class AccessToken extends PersonalAccessToken
{
    use HasUlids;

    protected $table = 'access_tokens';

    protected $fillable = ['review_id', 'tokenable_type', 'tokenable_id', 'name', 'token', 'abilities', 'expires_at'];

    protected $casts = [
        'abilities' => 'json',
        'last_used_at' => 'immutable_datetime',
        'expires_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<User, $this> */
    public function owner(): BelongsTo
    {
        return $this->belongsTo(User::class, 'tokenable_id');
    }
}
