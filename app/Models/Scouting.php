<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A question in plain words, asked of databases and of the library.
 *
 * @property string $id
 * @property string $review_id
 * @property string $question
 * @property list<string> $sources
 * @property int $depth
 * @property array<string, int> $found candidates that each has
 * @property string $trouble
 * @property string $asked_by
 * @property ?Carbon $ran_at when it was last asked
 * @property ?Carbon $new_since papers that came after this are new
 * @property int $runs
 * @property Carbon $created_at
 * @property Review $review
 * @property User $asker
 */
final class Scouting extends Model
{
    /** Of candidates, where they are from. */
    public const LIBRARY = 'library';

    protected $table = 'scoutings';

    protected $attributes = ['found' => '{}', 'trouble' => '', 'runs' => 0];

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return BelongsTo<User, $this> */
    public function asker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'asked_by');
    }

    /** @return HasMany<ScoutedPaper, $this> */
    public function papers(): HasMany
    {
        return $this->hasMany(ScoutedPaper::class);
    }

    /** @return HasMany<FurtherQuestion, $this> */
    public function furtherQuestions(): HasMany
    {
        return $this->hasMany(FurtherQuestion::class);
    }

    protected function casts(): array
    {
        return ['sources' => 'array', 'found' => 'array', 'ran_at' => 'immutable_datetime', 'new_since' => 'immutable_datetime'];
    }
}
