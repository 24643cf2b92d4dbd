<?php

declare(strict_types=1);

namespace App\Models;

use App\Tasks\TaskState;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $user_id
 * @property string $name
 * @property string $stored
 * @property TaskState $state
 * @property string $problem
 * @property ?string $brought_id the review that came of it
 * @property Carbon $created_at
 * @property User $user
 * @property ?Review $brought
 */
final class BroughtArchive extends Model
{
    protected $table = 'brought_archives';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Review, $this> */
    public function brought(): BelongsTo
    {
        return $this->belongsTo(Review::class, 'brought_id');
    }

    protected function casts(): array
    {
        return ['state' => TaskState::class];
    }
}
