<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A revision that was frozen, by hand or because it was run.
 *
 * @property string $id
 * @property string $review_id
 * @property string $strategy_id
 * @property int $number
 * @property int $revision
 * @property string $note
 * @property string $frozen_by
 * @property Carbon $frozen_at
 * @property User $freezer
 */
final class StrategyVersion extends Model
{
    protected $table = 'strategy_versions';

    public $timestamps = false;

    /** @return BelongsTo<User, $this> */
    public function freezer(): BelongsTo
    {
        return $this->belongsTo(User::class, 'frozen_by');
    }

    protected function casts(): array
    {
        return ['frozen_at' => 'immutable_datetime'];
    }
}
