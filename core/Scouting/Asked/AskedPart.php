<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** Words of a question with what they are in it. */
final readonly class AskedPart
{
    /** @param  list<string>  $words */
    public function __construct(public ConceptRole $role, public array $words)
    {
    }

    public function as(ConceptRole $role): self
    {
        return new self($role, $this->words);
    }
}
