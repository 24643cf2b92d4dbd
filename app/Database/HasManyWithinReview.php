<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Rows that belong to a row of a review are rows of the same review, and are looked for within it.
 *
 * @template TRelatedModel of Model
 * @template TDeclaringModel of Model
 *
 * @extends HasMany<TRelatedModel, TDeclaringModel>
 */
final class HasManyWithinReview extends HasMany
{
    /** @use WithinReview<TDeclaringModel> */
    use WithinReview;

    public function addConstraints(): void
    {
        parent::addConstraints();
        if (self::$constraints && $this->parent->exists) {
            $this->within([$this->parent]);
        }
    }
}
