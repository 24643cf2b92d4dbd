<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use WaryHeron\Core\Screening\Ranking\WordWeight;

/** Why an item stands where it does in the order of relevance. */
final readonly class PlaceInOrder
{
    /**
     * @param  ?float  $score  null before anything was judged
     * @param  bool  $drawn  at random, to find what the order would leave to the end
     * @param  bool  $check  read first, as one of a check sample
     * @param  list<WordWeight>  $words  that speak for and against it
     * @param  int  $judged  items that the order rests on
     */
    public function __construct(
        public ?float $score,
        public bool $drawn,
        public bool $check,
        public array $words,
        public int $judged,
    ) {
    }
}
