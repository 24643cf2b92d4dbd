<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** The counts of a PRISMA 2020 flow (Page et al. 2021), computed from facts, with the check that they add up. */
final readonly class Flow
{
    private function __construct(public FlowFacts $facts)
    {
    }

    public static function from(FlowFacts $facts): self
    {
        return new self($facts);
    }

    public function duplicatesRemoved(): int
    {
        return $this->facts->recordsDelivered - $this->facts->publications;
    }

    /** Of the duplicates, those found by machine, which PRISMA 2020 counts apart from those that people found. */
    public function duplicatesByMachine(): int
    {
        return $this->duplicatesRemoved() - $this->facts->joinedByPeople;
    }

    /** Publications that screening has to do with. */
    public function toScreen(): int
    {
        return $this->facts->publications - $this->facts->removed;
    }

    /** Publications that have both their decisions and no open disagreement. */
    public function decided(): int
    {
        return $this->facts->included + $this->facts->excluded;
    }

    public function pending(): int
    {
        return $this->facts->waiting + $this->facts->disagreements;
    }

    /** What is included in the end. */
    public function included(): int
    {
        return $this->facts->fullTexts->included ?? $this->facts->included;
    }

    public function notYetCoded(): int
    {
        return $this->included() - $this->facts->coded;
    }

    /** @return list<string> what does not add up; empty when all does */
    public function contradictions(): array
    {
        $full = $this->facts->fullTexts;
        $found = [...$this->ofScreening(), ...$full === null ? [] : $this->ofFullTexts($full)];
        $least = min(
            $this->duplicatesRemoved(),
            $this->duplicatesByMachine(),
            $this->notYetCoded(),
            $this->toScreen(),
        );

        return $least < 0 ? [...$found, 'A later step holds more than the one before it.'] : $found;
    }

    /** @return list<string> */
    private function ofScreening(): array
    {
        $facts = $this->facts;
        $found = [];
        if ($this->decided() + $this->pending() !== $this->toScreen()) {
            $found[] = "Of {$this->toScreen()} publications, {$this->decided()} are decided and {$this->pending()} pending.";
        }
        $reasons = array_sum($facts->excludedByReason);
        if ($reasons !== $facts->excluded) {
            $found[] = "{$facts->excluded} are excluded, but the reasons add up to {$reasons}.";
        }
        $sources = array_sum($facts->recordsBySource);
        if ($facts->recordsBySource !== [] && $sources !== $facts->recordsDelivered) {
            $found[] = "{$facts->recordsDelivered} records were delivered, but the sources add up to {$sources}.";
        }

        return $found;
    }

    /** @return list<string> */
    private function ofFullTexts(FullTexts $full): array
    {
        [$assessed, $gone] = [$full->assessed(), $full->notRetrieved()];
        $found = [];
        if ($assessed + $full->pending() + $gone !== $full->sought) {
            $found[] = "Of {$full->sought} reports sought, {$gone} were not retrieved, {$assessed} are decided "
                ."and {$full->pending()} pending.";
        }
        if ($full->studies() > $full->included || ($full->studies() === 0) !== ($full->included === 0)) {
            $found[] = "{$full->included} included reports cannot tell of {$full->studies()} studies.";
        }
        if ($full->sought !== $this->facts->included) {
            $found[] = "{$this->facts->included} are included by title and abstract, but {$full->sought} went on "
                .'to the full texts.';
        }
        $reasons = array_sum($full->excludedByReason);
        if ($reasons !== $full->excluded) {
            $found[] = "{$full->excluded} reports are excluded, but the reasons add up to {$reasons}.";
        }

        return $found;
    }
}
