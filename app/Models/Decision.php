<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Screening\Verdict;

/**
 * @property string $id
 * @property string $review_id
 * @property string $item_id
 * @property string $stage_id
 * @property string $user_id
 * @property ?Verdict $verdict
 * @property ?string $criterion_id
 * @property string $note
 * @property array<string, string> $answers yes, no or unclear by criterion
 * @property ?string $client_key
 * @property ?Carbon $superseded_at
 * @property Carbon $created_at
 * @property User $user
 * @property Criterion $criterion
 * @property Item $item
 */
final class Decision extends Model
{
    protected $table = 'decisions';

    public const UPDATED_AT = null;

    protected $attributes = ['answers' => '{}', 'note' => ''];

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

    /** @return BelongsTo<Item, $this> */
    public function item(): BelongsTo
    {
        return $this->belongsTo(Item::class);
    }

    protected function casts(): array
    {
        return ['verdict' => Verdict::class, 'answers' => 'array', 'superseded_at' => 'immutable_datetime'];
    }
}
