<?php

declare(strict_types=1);

namespace App\Models;

use App\Files\MadeKind;
use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $review_id
 * @property MadeKind $kind
 * @property string $name
 * @property string $stored
 * @property int $bytes
 * @property string $sha256
 * @property string $user_id
 * @property Carbon $created_at
 * @property User $user
 */
final class MadeFile extends Model
{
    protected $table = 'made_files';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['kind' => MadeKind::class];
    }
}
