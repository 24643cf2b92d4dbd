<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use WaryHeron\Core\Search\Standing\Every;

/**
 * A strategy that is run again by itself.
 *
 * @property string $id
 * @property string $review_id
 * @property string $strategy_id
 * @property Every $every
 * @property Carbon $next_at
 * @property bool $joins whether what is certain is joined without asking
 * @property list<string> $people among whom what is new is shared out
 * @property string $set_by in whose name
 * @property ?Carbon $ended_at
 * @property Review $review
 * @property Strategy $strategy
 * @property User $setter
 */
final class StandingSearch extends Model
{
    protected $table = 'standing_searches';

    protected $attributes = ['people' => '[]'];

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return BelongsTo<Strategy, $this> */
    public function strategy(): BelongsTo
    {
        return $this->belongsTo(Strategy::class);
    }

    /** @return BelongsTo<User, $this> */
    public function setter(): BelongsTo
    {
        return $this->belongsTo(User::class, 'set_by');
    }

    /** @return HasMany<SearchRound, $this> */
    public function rounds(): HasMany
    {
        return $this->hasMany(SearchRound::class);
    }

    protected function casts(): array
    {
        return [
            'every' => Every::class,
            'next_at' => 'immutable_datetime',
            'ended_at' => 'immutable_datetime',
            'joins' => 'boolean',
            'people' => 'array',
        ];
    }
}
