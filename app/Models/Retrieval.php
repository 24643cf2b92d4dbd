<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use WaryHeron\Core\FullText\RetrievalState;

/**
 * How far the getting of a publication's text has come; without one it is sought.
 *
 * @property string $id
 * @property string $review_id
 * @property string $publication_id
 * @property RetrievalState $state
 * @property string $reason
 * @property Carbon $dated
 * @property ?string $user_id
 * @property string $locker_answer
 * @property ?Carbon $locker_asked_at
 * @property ?string $task_id
 */
final class Retrieval extends Model
{
    protected $table = 'retrievals';

    protected function casts(): array
    {
        return [
            'state' => RetrievalState::class,
            'dated' => 'immutable_date',
            'locker_asked_at' => 'immutable_datetime',
        ];
    }
}
