<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Which group is compared with which.
 *
 * @property string $id
 * @property string $review_id
 * @property int $position
 * @property string $intervention_id
 * @property string $comparator_id
 * @property ?Carbon $retired_at
 * @property Arm $intervention
 * @property Arm $comparator
 */
final class Comparison extends Model
{
    protected $table = 'comparisons';

    public function words(): string
    {
        return "{$this->intervention->name} against {$this->comparator->name}";
    }

    /** @return BelongsTo<Arm, $this> */
    public function intervention(): BelongsTo
    {
        return $this->belongsTo(Arm::class);
    }

    /** @return BelongsTo<Arm, $this> */
    public function comparator(): BelongsTo
    {
        return $this->belongsTo(Arm::class);
    }

    protected function casts(): array
    {
        return ['retired_at' => 'immutable_datetime'];
    }
}
