<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $delivery_id
 * @property int $position
 * @property int $line
 * @property string $message
 * @property string $text
 * @property ?Carbon $mended_at
 * @property Delivery $delivery
 */
final class Rejection extends Model
{
    protected $table = 'rejections';

    public $timestamps = false;

    /** @return BelongsTo<Delivery, $this> */
    public function delivery(): BelongsTo
    {
        return $this->belongsTo(Delivery::class);
    }

    protected function casts(): array
    {
        return ['mended_at' => 'immutable_datetime'];
    }
}
