<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Screening\ItemState;

/**
 * @property string $id
 * @property string $review_id
 * @property string $publication_id
 * @property string $stage_id
 * @property Stage $stage
 * @property ItemState $state
 * @property ?string $kind
 * @property bool $settled
 * @property ?string $criterion_id
 * @property ?Carbon $opened_at
 * @property ?Carbon $folded_at
 * @property int $position
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property Publication $publication
 * @property Review $review
 * @property Criterion $criterion
 */
final class Item extends Model
{
    protected $table = 'items';

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    /** @return BelongsTo<Stage, $this> */
    public function stage(): BelongsTo
    {
        return $this->belongsTo(Stage::class);
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return BelongsTo<Criterion, $this> */
    public function criterion(): BelongsTo
    {
        return $this->belongsTo(Criterion::class);
    }

    protected function casts(): array
    {
        return ['state' => ItemState::class, 'opened_at' => 'immutable_datetime', 'folded_at' => 'immutable_datetime'];
    }
}
