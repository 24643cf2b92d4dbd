<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

use WaryHeron\Core\Scouting\Reading\RecordSentence;

/** How a record names what is looked for: the first sentence of each way of naming it. */
final readonly class Naming
{
    /**
     * @param  float  $most  how much of it the fullest sentence names
     * @param  ?RecordSentence  $denied  says that it was not looked at
     * @param  ?RecordSentence  $found  is a finding
     * @param  ?RecordSentence  $told  names it otherwise
     * @param  ?RecordSentence  $aside  names it in passing
     */
    public function __construct(
        public float $most,
        public ?RecordSentence $denied,
        public ?RecordSentence $found,
        public ?RecordSentence $told,
        public ?RecordSentence $aside,
    ) {
    }
}
