<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a review had come to when it was handed out.
 *
 * @property string $id
 * @property string $review_id
 * @property int $number
 * @property string $name
 * @property int $studies
 * @property int $reports
 * @property list<string> $included publications
 * @property string $closed_by
 * @property Carbon $closed_at
 * @property User $closer
 */
final class ReviewVersion extends Model
{
    protected $table = 'review_versions';

    public $timestamps = false;

    public static function latest(Review $review): ?self
    {
        return self::query()->where('review_id', $review->id)->orderByDesc('number')->first();
    }

    /** @return BelongsTo<User, $this> */
    public function closer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'closed_by');
    }

    protected function casts(): array
    {
        return ['included' => 'array', 'closed_at' => 'immutable_datetime'];
    }
}
