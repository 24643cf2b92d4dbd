<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $delivery_id
 * @property string $publication_id
 * @property int $position
 * @property int $line
 * @property ?string $doi_key
 * @property ?string $work_key
 * @property ?Carbon $separated_at
 * @property ?Carbon $withdrawn_at
 * @property array<string, mixed> $reference
 * @property string $source
 * @property Carbon $created_at
 * @property Delivery $delivery
 * @property Publication $publication
 */
final class Record extends Model
{
    protected $table = 'records';

    public const UPDATED_AT = null;

    /** @return BelongsTo<Delivery, $this> */
    public function delivery(): BelongsTo
    {
        return $this->belongsTo(Delivery::class);
    }

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    protected function casts(): array
    {
        return ['separated_at' => 'immutable_datetime', 'withdrawn_at' => 'immutable_datetime', 'reference' => 'array'];
    }
}
