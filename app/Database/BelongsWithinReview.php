<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a row of a review belongs to is a row of the same review, and is looked for within it.
 *
 * @template TRelatedModel of Model
 * @template TDeclaringModel of Model
 *
 * @extends BelongsTo<TRelatedModel, TDeclaringModel>
 */
final class BelongsWithinReview extends BelongsTo
{
    /** @use WithinReview<TDeclaringModel> */
    use WithinReview;

    public function addConstraints(): void
    {
        parent::addConstraints();
        // for rows that are at hand, not for conditions on those that are looked for
        if (self::$constraints && $this->child->exists) {
            $this->within([$this->child]);
        }
    }
}
