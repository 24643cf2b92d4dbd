<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An address by which outsiders read the report of a review.
 *
 * @property string $id
 * @property string $review_id
 * @property string $name for whom it is
 * @property string $token_hash
 * @property ?string $password_hash
 * @property ?Carbon $expires_at
 * @property ?Carbon $revoked_at
 * @property bool $with_texts whether the papers of included studies can be opened
 * @property bool $with_names whether it is told who decided
 * @property bool $with_comments whether readers can say something to the team
 * @property int $visits
 * @property string $user_id
 * @property Carbon $created_at
 * @property Review $review
 */
final class ReadingLink extends Model
{
    protected $table = 'reading_links';

    protected $attributes = ['visits' => 0, 'with_texts' => false, 'with_names' => false, 'with_comments' => false];

    protected $hidden = ['token_hash', 'password_hash'];

    /** The one that an address names, where it still leads somewhere. */
    public static function open(string $token): ?self
    {
        return self::query()
            ->where('token_hash', hash('sha256', $token))
            ->whereNull('revoked_at')
            ->where(fn ($still) => $still->whereNull('expires_at')->orWhere('expires_at', '>', now()))
            ->first();
    }

    public function isOver(): bool
    {
        return $this->revoked_at !== null || ($this->expires_at !== null && $this->expires_at->isPast());
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    protected function casts(): array
    {
        return [
            'expires_at' => 'immutable_datetime',
            'revoked_at' => 'immutable_datetime',
            'visits' => 'integer',
            'with_texts' => 'boolean',
            'with_names' => 'boolean',
            'with_comments' => 'boolean',
        ];
    }
}
