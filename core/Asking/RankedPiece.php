<?php

declare(strict_types=1);

namespace WaryHeron\Core\Asking;

use WaryHeron\Core\Coding\Lead\Confidence;

/** A piece with how well it answers. */
final readonly class RankedPiece
{
    /**
     * @param  float  $score  above 0; of one question only, not to be compared over questions
     * @param  float  $held  0 to 1: which share of what was asked is in it, by weight
     */
    public function __construct(
        public Piece $piece,
        public float $score,
        public float $held,
        public Confidence $confidence,
        public string $reason,
    ) {
    }
}
