<?php

declare(strict_types=1);

namespace App\Models;

use App\Database\BelongsWithinReview;
use App\Database\HasManyWithinReview;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model as Eloquent;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

abstract class Model extends Eloquent
{
    use BootsByName, CanBeLocked, HasUlids;

    /** Whose tables lie in parts, by review. */
    private const IN_PARTS = [Decision::class, Item::class, LogEntry::class, Publication::class, Record::class];

    /**
     * @template TRelated of Eloquent
     * @template TDeclaring of Eloquent
     *
     * @param  Builder<TRelated>  $query
     * @param  TDeclaring  $child
     * @param  string  $foreignKey
     * @param  string  $ownerKey
     * @param  string  $relation
     * @return BelongsTo<TRelated, TDeclaring>
     */
    protected function newBelongsTo(Builder $query, Eloquent $child, $foreignKey, $ownerKey, $relation): BelongsTo
    {
        return in_array($query->getModel()::class, self::IN_PARTS, true)
            ? new BelongsWithinReview($query, $child, $foreignKey, $ownerKey, $relation)
            : parent::newBelongsTo($query, $child, $foreignKey, $ownerKey, $relation);
    }

    /**
     * @template TRelated of Eloquent
     * @template TDeclaring of Eloquent
     *
     * @param  Builder<TRelated>  $query
     * @param  TDeclaring  $parent
     * @param  string  $foreignKey
     * @param  string  $localKey
     * @return HasMany<TRelated, TDeclaring>
     */
    protected function newHasMany(Builder $query, Eloquent $parent, $foreignKey, $localKey): HasMany
    {
        return in_array($query->getModel()::class, self::IN_PARTS, true) && ! $parent instanceof Review
            ? new HasManyWithinReview($query, $parent, $foreignKey, $localKey)
            : parent::newHasMany($query, $parent, $foreignKey, $localKey);
    }

    /**
     * A row of a review is looked for within it: its table may lie in parts, by review.
     *
     * @param  Builder<static>  $query
     * @return Builder<static>
     */
    protected function setKeysForSaveQuery($query)
    {
        return $this->withinReview(parent::setKeysForSaveQuery($query));
    }

    /**
     * @param  Builder<static>  $query
     * @return Builder<static>
     */
    protected function setKeysForSelectQuery($query)
    {
        return $this->withinReview(parent::setKeysForSelectQuery($query));
    }

    /**
     * @param  Builder<static>  $query
     * @return Builder<static>
     */
    private function withinReview($query)
    {
        $review = $this->original['review_id'] ?? null;

        return $review === null ? $query : $query->where('review_id', $review);
    }
}
