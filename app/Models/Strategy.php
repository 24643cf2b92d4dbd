<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * The review's search as it stands: which databases, and which of its revisions is shown.
 *
 * @property string $id
 * @property string $review_id
 * @property string $name
 * @property list<string> $sources
 * @property int $head
 * @property ?Carbon $archived_at put away, not lost
 * @property string $created_by
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property User $creator
 * @property Review $review
 */
final class Strategy extends Model
{
    protected $table = 'strategies';

    /** The revision that is shown. */
    public function shown(): StrategyRevision
    {
        return $this->revisions()->where('number', $this->head)->firstOrFail();
    }

    /** @return BelongsTo<User, $this> */
    public function creator(): BelongsTo
    {
        return $this->belongsTo(User::class, 'created_by');
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return HasMany<StrategyRevision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(StrategyRevision::class);
    }

    /** @return HasMany<StrategyVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(StrategyVersion::class);
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class);
    }

    protected function casts(): array
    {
        return ['sources' => 'array', 'archived_at' => 'immutable_datetime'];
    }
}
