<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use WaryHeron\Core\Bibliography\Name;

/**
 * @property string $id
 * @property string $review_id
 * @property string $title
 * @property string $authors
 * @property string $first_author
 * @property ?int $year
 * @property string $journal
 * @property string $place
 * @property string $doi
 * @property string $abstract
 * @property string $type
 * @property string $language
 * @property string $sort_title
 * @property int $records_count
 * @property ?string $merged_into
 * @property ?Carbon $removed_at
 * @property string $removed_for
 * @property ?string $study_id
 * @property array<string, array{field: string, value: string, by: string, at: string}> $chosen
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property Review $review
 * @property \Illuminate\Database\Eloquent\Collection<int, Record> $records
 * @property ?Item $item
 * @property \Illuminate\Database\Eloquent\Collection<int, Item> $items
 */
final class Publication extends Model
{
    protected $table = 'publications';

    /** @return HasMany<Record, $this> */
    public function records(): HasMany
    {
        $many = $this->hasMany(Record::class);
        $many->orderBy('id');

        return $many;
    }

    /** @return HasMany<Item, $this> at each stage that it has reached */
    public function items(): HasMany
    {
        $many = $this->hasMany(Item::class);
        $many->orderBy('position');

        return $many;
    }

    /** @return HasOne<Item, $this> at the stage where it arrived */
    public function item(): HasOne
    {
        return $this->hasOne(Item::class)->oldestOfMany('position');
    }

    /** "Okafor 2024": the first author's family name as it is written, and the year. */
    public function called(): string
    {
        return trim(Name::indexed(strtok($this->authors, ';') ?: '')->family.' '.$this->year);
    }

    protected function casts(): array
    {
        return ['chosen' => 'array', 'removed_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }
}
