<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a person said of a heading in one thesaurus and one in another.
 *
 * @property string $id
 * @property string $review_id
 * @property string $label
 * @property string $scheme_id
 * @property string $stands_for
 * @property bool $is_confirmed
 * @property string $ruled_by
 * @property Carbon $ruled_at
 * @property User $ruler
 */
final class HeadingMapping extends Model
{
    protected $table = 'heading_mappings';

    public $timestamps = false;

    /** @return BelongsTo<User, $this> */
    public function ruler(): BelongsTo
    {
        return $this->belongsTo(User::class, 'ruled_by');
    }

    protected function casts(): array
    {
        return ['is_confirmed' => 'boolean', 'ruled_at' => 'immutable_datetime'];
    }
}
