<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** One part of a question, as the person wrote it, with what else says the same. */
final readonly class AskedConcept
{
    /** @param  list<ConceptSlot>  $slots  its words and phrases in their order */
    public function __construct(public ConceptRole $role, public string $text, public array $slots)
    {
    }

    /** @param  list<list<string>>  $phrases  that were found to speak of the whole of it */
    public function with(array $phrases): self
    {
        return new self($this->role, $this->text, array_map(
            fn (ConceptSlot $slot): ConceptSlot => $slot->with($phrases),
            $this->slots,
        ));
    }
}
