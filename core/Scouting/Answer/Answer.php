<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

/** The sentence that answers with the way it points. */
final readonly class Answer
{
    /** @param  int  $agreeing  how many further sentences of the record point the same way, less those that do not */
    public function __construct(public Candidate $candidate, public ?Direction $direction, public int $agreeing)
    {
    }
}
