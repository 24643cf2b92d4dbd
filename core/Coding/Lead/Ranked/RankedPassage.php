<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Ranked;

use WaryHeron\Core\Coding\Lead\Passage;

/** A passage with how much it has to do with what is asked, as a share of what the best one has. */
final readonly class RankedPassage
{
    public function __construct(public Passage $passage, public float $score)
    {
    }
}
