<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** A part of a question as a concept of a strategy. */
final readonly class ConceptTerms
{
    /** @param  list<string>  $terms  in our query language */
    public function __construct(public string $name, public array $terms)
    {
    }
}
