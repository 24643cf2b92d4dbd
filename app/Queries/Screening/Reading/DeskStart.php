<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use App\Queries\Screening\MarkedList;
use App\Queries\Screening\ScreenerCounts;

/** What the script of the Reading Desk begins with, whatever it shows first. */
final readonly class DeskStart
{
    /**
     * @param  list<JudgedItem>  $behind  what was judged last, the oldest of them first
     * @param  list<AskedCriterion>  $criteria
     * @param  int  $low  with so few at hand, more are asked for
     * @param  int  $many  so many at once
     * @param  int  $pause  milliseconds before what could not be sent is sent again
     * @param  list<MarkedList>  $marks
     * @param  string  $marksKey  where the page keeps which of them are shown
     * @param  array<string, string>  $urls
     * @param  string  $queue  where the page keeps what is not sent yet
     */
    public function __construct(
        public array $behind,
        public ScreenerCounts $counts,
        public array $criteria,
        public bool $inFull,
        public int $low,
        public int $many,
        public int $pause,
        public array $marks,
        public string $marksKey,
        public array $urls,
        public string $queue,
    ) {
    }
}
