<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a review reports. Its words are a Yjs document; `said` is it as it was last read.
 *
 * @property string $id
 * @property string $review_id
 * @property int $seq of the last update
 * @property array<string, mixed> $said ProseMirror's JSON
 * @property int $said_seq up to which update it was read
 * @property string $style of citations
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property Review $review
 */
final class Report extends Model
{
    protected $table = 'reports';

    /** The document itself passes as text, and only where it is asked for. */
    protected $hidden = ['base'];

    /** @return Builder<self> the one of a review, where it has been begun */
    public static function of(Review $review): Builder
    {
        return self::query()->where('review_id', $review->id);
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    protected function casts(): array
    {
        return ['said' => 'array', 'seq' => 'integer', 'said_seq' => 'integer', 'base_seq' => 'integer'];
    }
}
