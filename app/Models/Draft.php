<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * A whole review as a machine would do it from a plain question, beside the review: proposals, never decisions.
 *
 * @property string $id
 * @property string $review_id
 * @property string $scouting_id
 * @property int $depth papers that are read by title and abstract
 * @property int $depth_in_full of those that fit, how many are read for the items, in full where there is a copy
 * @property list<string> $changes what the last run changed, in words
 * @property string $asked_by
 * @property ?Carbon $ran_at
 * @property ?float $seconds that the last run took
 * @property ?Carbon $told_at when a mail said that it is there
 * @property int $revision
 * @property Carbon $created_at
 * @property Review $review
 * @property Scouting $scouting
 * @property User $asker
 */
final class Draft extends Model
{
    protected $attributes = ['changes' => '[]', 'revision' => 1];

    /** @return BelongsTo<Review, $this> */
    public function review(): BelongsTo
    {
        return $this->belongsTo(Review::class);
    }

    /** @return BelongsTo<Scouting, $this> */
    public function scouting(): BelongsTo
    {
        return $this->belongsTo(Scouting::class);
    }

    /** @return BelongsTo<User, $this> */
    public function asker(): BelongsTo
    {
        return $this->belongsTo(User::class, 'asked_by');
    }

    /** @return HasMany<DraftCriterion, $this> */
    public function criteria(): HasMany
    {
        $many = $this->hasMany(DraftCriterion::class);
        $many->orderBy('position');

        return $many;
    }

    /** @return HasMany<DraftItem, $this> */
    public function items(): HasMany
    {
        $many = $this->hasMany(DraftItem::class);
        $many->orderBy('position');

        return $many;
    }

    /** @param  'draft_papers'|'draft_sections'  $table */
    public function rows(string $table): Builder
    {
        return DB::table($table)->where('review_id', $this->review_id)->where('draft_id', $this->id);
    }

    /** What addresses call its parts, since a review has criteria and items of its own. */
    protected function childRouteBindingRelationshipName($childType): string
    {
        return ['draftCriterion' => 'criteria', 'draftItem' => 'items'][$childType] ?? parent::childRouteBindingRelationshipName($childType);
    }

    protected function casts(): array
    {
        return [
            'changes' => 'array',
            'seconds' => 'float',
            'ran_at' => 'immutable_datetime',
            'told_at' => 'immutable_datetime',
        ];
    }
}
