<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/** How likely a text is to be included, between 0 and 1, with the words that say so. */
final readonly class JudgedText
{
    /** @param  list<WordWeight>  $words  those that weigh most first, whether for or against */
    public function __construct(public float $score, public array $words)
    {
    }
}
