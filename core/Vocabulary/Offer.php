<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

/** A heading offered for what somebody typed. */
final readonly class Offer
{
    /** @param  string  $name  the name that matched, or the preferred label */
    public function __construct(public Concept $concept, public Why $why, public string $name)
    {
    }

    public function reason(string $typed): string
    {
        return match ($this->why) {
            Why::IsPreferred, Why::InNote, Why::Carried, Why::InPreferred => "“{$typed}” {$this->why->value}",
            Why::IsAlternative, Why::InAlternative => "“{$typed}” {$this->why->value}, {$this->name}",
            Why::Stem => "“{$typed}” {$this->why->value}, {$this->name}",
        };
    }
}
