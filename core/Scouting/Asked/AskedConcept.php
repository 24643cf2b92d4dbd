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

    /** The stem of its last word, which says what it is about. */
    public function head(): string
    {
        $last = $this->slots[count($this->slots) - 1] ?? null;

        return $last === null ? '' : $last->own[count($last->own) - 1];
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
