<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $publication_id
 * @property string $code_id
 * @property string $user_id
 * @property string|int|float|list<string>|null $value
 * @property string $quote
 * @property string $place
 * @property ?Carbon $superseded_at
 * @property Carbon $created_at
 * @property User $user
 */
final class Answer extends Model
{
    protected $table = 'answers';

    public const UPDATED_AT = null;

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['value' => 'json', 'superseded_at' => 'immutable_datetime'];
    }
}
