<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One version of a strategy run in one database: what was sent, and what each line found.
 *
 * @property string $id
 * @property string $review_id
 * @property string $strategy_id
 * @property int $version
 * @property string $source
 * @property string $source_title
 * @property string $dialect
 * @property string $holdings
 * @property string $query_sent
 * @property list<array{number: int, note: string, text: string, sent: string, count: ?int, notes: list<string>}> $lines
 * @property int $total
 * @property string $ran_by
 * @property Carbon $ran_at
 * @property User $runner
 * @property Strategy $strategy
 * @property Review $review
 * @property \Illuminate\Database\Eloquent\Collection<int, Delivery> $deliveries
 */
final class Run extends Model
{
    protected $table = 'runs';

    public $timestamps = false;

    /** @return BelongsTo<User, $this> */
    public function runner(): BelongsTo
    {
        return $this->belongsTo(User::class, 'ran_by');
    }

    /** @return BelongsTo<Strategy, $this> */
    public function strategy(): BelongsTo
    {
        return $this->belongsTo(Strategy::class);
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return HasMany<Delivery, $this> */
    public function deliveries(): HasMany
    {
        return $this->hasMany(Delivery::class);
    }

    protected function casts(): array
    {
        return ['lines' => 'array', 'ran_at' => 'immutable_datetime'];
    }
}
