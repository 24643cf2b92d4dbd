<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Told;

use WaryHeron\Core\Coding\Lead\Passage;

/** The designs that a paper speaks of as its own. */
final readonly class HeardDesigns
{
    /**
     * @param  array<string, float>  $scores  how much speaks for each kind, the likeliest first
     * @param  array<string, Passage>  $best  what says so, by kind
     */
    public function __construct(public array $scores, public array $best)
    {
    }
}
