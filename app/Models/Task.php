<?php

declare(strict_types=1);

namespace App\Models;

use App\Tasks\TaskState;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property string $user_id
 * @property string $kind
 * @property string $title
 * @property TaskState $state
 * @property int $done
 * @property ?int $total
 * @property string $message
 * @property string $url
 * @property ?string $in_hand where it was when it was last taken in hand
 * @property int $deaths
 * @property ?string $job what does the work next, as the queue has it
 * @property ?string $job_queue
 * @property int $queued_again
 * @property ?Carbon $cancel_requested_at
 * @property ?Carbon $started_at
 * @property ?Carbon $finished_at
 * @property ?Carbon $seen_at
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property Review $review
 * @property User $user
 */
final class Task extends Model
{
    protected $table = 'tasks';

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return [
            'state' => TaskState::class,
            'cancel_requested_at' => 'immutable_datetime',
            'started_at' => 'immutable_datetime',
            'finished_at' => 'immutable_datetime',
            'seen_at' => 'immutable_datetime',
        ];
    }
}
