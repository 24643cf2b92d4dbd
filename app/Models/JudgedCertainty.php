<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use WaryHeron\Core\Synthesis\Certainty\Certainty;

/**
 * How sure people are of what an analysis finds; the newest of an analysis stands.
 *
 * @property string $id
 * @property string $review_id
 * @property string $analysis_id
 * @property array<string, mixed> $judged as Certainty::toArray() gives it
 * @property ?int $baseline of a thousand people without the intervention, how many have the event
 * @property string $user_id
 * @property Carbon $created_at
 * @property User $user
 */
final class JudgedCertainty extends Model
{
    protected $table = 'certainties';

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function certainty(): Certainty
    {
        return Certainty::fromArray($this->judged);
    }

    protected function casts(): array
    {
        return ['judged' => 'array'];
    }
}
