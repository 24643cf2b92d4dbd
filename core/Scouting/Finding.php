<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Answer\Direction;

/** What a record says to a question. */
final readonly class Finding
{
    /**
     * @param  float  $score  0 to 1: how likely it answers
     * @param  string  $sentence  that answers, as it was written; empty where the record reports nothing of it
     * @param  Direction|null  $direction  null where the question has none or the sentence does not tell
     * @param  string  $reason  why it stands where it does and how sure it is, in words
     */
    public function __construct(
        public string $id,
        public float $score,
        public string $sentence,
        public ?Direction $direction,
        public Confidence $confidence,
        public string $reason,
    ) {
    }
}
