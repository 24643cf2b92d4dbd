<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/** A word with what it weighs for inclusion, in log-odds; below zero it weighs against it. */
final readonly class WordWeight
{
    public function __construct(public string $word, public float $weight)
    {
    }
}
