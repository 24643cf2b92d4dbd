<?php

declare(strict_types=1);

namespace Database\Demo;

use App\Models\Review;
use App\Models\User;
use Carbon\CarbonImmutable;

/** A part of the demo's scenario, played by its people in its review. */
abstract class DemoPart
{
    protected Review $review;

    /** @var array<string, User> */
    protected array $people;

    /** @param  array<string, User>  $people */
    public function in(Review $review, array $people): static
    {
        [$this->review, $this->people] = [$review, $people];

        return $this;
    }

    protected function at(CarbonImmutable $time): void
    {
        CarbonImmutable::setTestNow($time);
    }
}
