<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Screening\HowSettled;
use WaryHeron\Core\Screening\Verdict;

/**
 * @property string $id
 * @property string $review_id
 * @property string $item_id
 * @property string $stage_id
 * @property string $user_id
 * @property Verdict $verdict
 * @property ?string $criterion_id
 * @property string $note
 * @property HowSettled $how
 * @property ?Carbon $superseded_at
 * @property Carbon $created_at
 * @property User $user
 * @property Criterion $criterion
 */
final class Settlement extends Model
{
    protected $table = 'settlements';

    public const UPDATED_AT = null;

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Criterion, $this> */
    public function criterion(): BelongsTo
    {
        return $this->belongsTo(Criterion::class);
    }

    protected function casts(): array
    {
        return ['verdict' => Verdict::class, 'how' => HowSettled::class, 'superseded_at' => 'immutable_datetime'];
    }
}
