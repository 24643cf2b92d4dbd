<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** A word or a fixed phrase of a concept with its kin. */
final readonly class ConceptSlot
{
    /**
     * @param  list<string>  $own  stems as asked
     * @param  list<list<string>>  $kin  other phrases for it
     * @param  list<list<string>>  $contrary  phrases of which more is less of it
     * @param  float  $weight  1 for what the concept is about, less for what describes it
     */
    public function __construct(
        public array $own,
        public array $kin = [],
        public array $contrary = [],
        public float $weight = 1.0,
    ) {
    }

    /** @param  list<list<string>>  $phrases */
    public function with(array $phrases): self
    {
        return new self($this->own, [...$this->kin, ...$phrases], $this->contrary, $this->weight);
    }
}
