<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

/** A criterion as a machine can judge it: its kind and the words it is about. */
final readonly class AskedCriterion
{
    /** @param  string  $words  what is looked for; other names for the same after "or" */
    public function __construct(public CriterionKind $kind, public string $words = '')
    {
    }

    public function asks(): string
    {
        return sprintf($this->kind->asks(), $this->words);
    }

    public function reason(): string
    {
        return sprintf($this->kind->reason(), $this->words);
    }
}
