<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Screening\CriterionAnswer;

/** What a paper answers to a criterion, with the words it rests on. */
final readonly class CriterionReading
{
    /**
     * @param  string  $quote  words of the paper as they stand there; empty where it says nothing of it
     * @param  string  $reason  in words
     */
    public function __construct(
        public CriterionAnswer $answer,
        public Confidence $confidence,
        public string $quote,
        public string $reason,
    ) {
    }
}
