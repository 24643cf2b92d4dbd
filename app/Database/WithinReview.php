<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Eloquent\Model;

/**
 * A relation between rows of one review: the other table lies in parts, by review, of which one is read.
 *
 * @template TDeclaringModel of Model
 */
trait WithinReview
{
    /** @param  array<int, TDeclaringModel>  $models */
    public function addEagerConstraints(array $models): void
    {
        parent::addEagerConstraints($models);
        $this->within($models);
    }

    /** @param  array<int, Model>  $models */
    private function within(array $models): void
    {
        $reviews = array_map(fn (Model $one): mixed => $one->getAttributes()['review_id'] ?? null, $models);
        if ($reviews !== [] && ! in_array(null, $reviews, true)) {
            $this->query->whereIn($this->related->qualifyColumn('review_id'), array_values(array_unique($reviews)));
        }
    }
}
