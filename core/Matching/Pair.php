<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** Two records that were compared and may be one publication. */
final readonly class Pair
{
    /** @param  ?float  $rarity  of a title that several publications bear, as Judge::score takes it */
    public function __construct(
        public int $a,
        public int $b,
        public Comparison $comparison,
        public float $score,
        public MatchVerdict $verdict,
        public ?float $rarity = null,
    ) {
    }
}
