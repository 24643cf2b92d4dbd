<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** A question in plain words, taken apart. */
final readonly class PlainQuestion
{
    /** @param  list<AskedConcept>  $concepts */
    public function __construct(public string $text, public QuestionKind $kind, public array $concepts)
    {
    }

    /** @return list<AskedConcept> */
    public function of(ConceptRole $role): array
    {
        return array_values(array_filter($this->concepts, fn (AskedConcept $one): bool => $one->role === $role));
    }

    public function has(ConceptRole $role): bool
    {
        return $this->of($role) !== [];
    }

    /** @return list<ConceptRole> what a question of this kind would say and this one does not */
    public function missing(): array
    {
        $wanted = match ($this->kind) {
            QuestionKind::Effect, QuestionKind::Prognosis => [
                ConceptRole::Exposure,
                ConceptRole::Outcome,
                ConceptRole::Population,
            ],
            QuestionKind::Comparison => [ConceptRole::Exposure, ConceptRole::Comparator, ConceptRole::Outcome],
            default => [ConceptRole::Outcome, ConceptRole::Population],
        };

        return array_values(array_filter($wanted, fn (ConceptRole $role): bool => ! $this->has($role)));
    }

    /** @param  callable(AskedConcept): AskedConcept  $change */
    public function mapped(callable $change): self
    {
        return new self($this->text, $this->kind, array_map($change, $this->concepts));
    }

    /** @param  callable(ConceptSlot, int, int): ConceptSlot  $change  of a slot, its concept's place and its own */
    public function withSlots(callable $change): self
    {
        $concepts = [];
        foreach ($this->concepts as $i => $concept) {
            $slots = [];
            foreach ($concept->slots as $at => $slot) {
                $slots[] = $change($slot, $i, $at);
            }
            $concepts[] = new AskedConcept($concept->role, $concept->text, $slots);
        }

        return new self($this->text, $this->kind, $concepts);
    }
}
