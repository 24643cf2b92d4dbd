<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/** The words that weigh most of all that a model has learned. */
final readonly class TellingWords
{
    /**
     * @param  list<WordWeight>  $for
     * @param  list<WordWeight>  $against
     */
    public function __construct(public array $for, public array $against)
    {
    }
}
