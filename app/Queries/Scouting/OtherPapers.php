<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

/** How many papers there are beside those that answer. */
final readonly class OtherPapers
{
    /**
     * @param  int  $silent  that say nothing to the question
     * @param  int  $out  that people threw out
     * @param  int  $new  that came since the last look, answering or not
     */
    public function __construct(public int $silent, public int $out, public int $new)
    {
    }
}
