<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Search\Strategy\Strategy as Lines;

/**
 * A strategy at one moment. Rows are added and never changed.
 *
 * @property string $id
 * @property string $review_id
 * @property string $strategy_id
 * @property int $number
 * @property ?int $after
 * @property array<string, mixed> $content
 * @property string $change
 * @property string $made_by
 * @property Carbon $made_at
 * @property User $maker
 */
final class StrategyRevision extends Model
{
    protected $table = 'strategy_revisions';

    public $timestamps = false;

    public function strategy(): Lines
    {
        return Lines::fromArray($this->content);
    }

    /** @return BelongsTo<User, $this> */
    public function maker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'made_by');
    }

    protected function casts(): array
    {
        return ['content' => 'array', 'made_at' => 'immutable_datetime'];
    }
}
