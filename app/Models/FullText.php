<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A PDF in the store.
 *
 * @property string $id
 * @property string $review_id
 * @property ?string $publication_id null while nobody knows what it is a copy of
 * @property string $hash
 * @property string $name
 * @property int $bytes
 * @property ?int $pages
 * @property string $origin locker or person
 * @property string $matched_by doi, title, person or empty
 * @property list<array{publication: string, confidence: string, because: string}> $offers
 * @property string $text
 * @property string $user_id
 * @property ?Carbon $taken_out_at
 * @property Carbon $created_at
 * @property ?Publication $publication
 * @property User $user
 */
final class FullText extends Model
{
    protected $table = 'full_texts';

    /** @return BelongsTo<Publication, $this> */
    public function publication(): BelongsTo
    {
        return $this->belongsTo(Publication::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    public function path(): string
    {
        return self::pathOf($this->hash);
    }

    /** Where the file is kept, by what it holds. */
    public static function pathOf(string $hash): string
    {
        return "full-texts/{$hash}";
    }

    protected function casts(): array
    {
        return ['offers' => 'array', 'taken_out_at' => 'immutable_datetime'];
    }
}
