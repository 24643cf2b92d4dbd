<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use WaryHeron\Core\Coding\Evidence;

/**
 * Words of a paper that were put under themes.
 *
 * @property string $id
 * @property string $review_id
 * @property string $publication_id
 * @property array<string, mixed> $evidence as Evidence::toArray() gives it
 * @property string $memo
 * @property string $user_id
 * @property ?Carbon $removed_at
 * @property Carbon $created_at
 * @property User $user
 * @property Publication $publication
 * @property \Illuminate\Database\Eloquent\Collection<int, Theme> $themes
 */
final class Passage extends Model
{
    protected $table = 'passages';

    protected $attributes = ['memo' => ''];

    public function piece(): Evidence
    {
        return Evidence::fromArray($this->evidence);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    /** @return BelongsToMany<Theme, $this> */
    public function themes(): BelongsToMany
    {
        return $this->belongsToMany(Theme::class, 'passage_themes', 'passage_id', 'theme_id');
    }

    protected function casts(): array
    {
        return ['evidence' => 'array', 'removed_at' => 'immutable_datetime'];
    }
}
