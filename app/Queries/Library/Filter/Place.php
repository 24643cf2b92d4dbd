<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Models\Review;
use App\Models\Stage;
use App\Models\User;

/** Where a filter is asked for: in which review, by whom, and at which of its stages. */
final readonly class Place
{
    public function __construct(public Review $review, public User $viewer, public Stage $stage)
    {
    }

    /** The stage in words, where the review has others. */
    public function atStage(): string
    {
        return $this->review->stages->count() > 1 ? ' at '.$this->stageName() : '';
    }

    public function stageName(): string
    {
        return '“'.mb_strtolower($this->stage->name).'”';
    }
}
