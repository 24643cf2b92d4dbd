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
        $found = [];
        if ($this->decided() + $this->pending() !== $this->toScreen()) {
            $found[] = "Of {$this->toScreen()} publications, {$this->decided()} are decided and {$this->pending()} pending.";
        }
        if (array_sum($this->facts->excludedByReason) !== $this->facts->excluded) {
            $found[] =
                "{$this->facts->excluded} are excluded, but the reasons add up to ".
                array_sum($this->facts->excludedByReason).
                '.';
        }
        if (
            $this->facts->recordsBySource !== [] &&
            array_sum($this->facts->recordsBySource) !== $this->facts->recordsDelivered
        ) {
            $found[] =
                "{$this->facts->recordsDelivered} records were delivered, but the sources add up to ".
                array_sum($this->facts->recordsBySource).
                '.';
        }
        $full = $this->facts->fullTexts;
        if ($full !== null && $full->assessed() + $full->pending() + $full->notRetrieved() !== $full->sought) {
            $found[] = "Of {$full->sought} reports sought, {$full->notRetrieved()} were not retrieved, {$full->assessed()} are decided and {$full->pending()} pending.";
        }
        if (
            $full !== null &&
            ($full->studies() > $full->included || ($full->studies() === 0) !== ($full->included === 0))
        ) {
            $found[] = "{$full->included} included reports cannot tell of {$full->studies()} studies.";
        }
        if ($full !== null && $full->sought !== $this->facts->included) {
            $found[] = "{$this->facts->included} are included by title and abstract, but {$full->sought} went on to the full texts.";
        }
        if ($full !== null && array_sum($full->excludedByReason) !== $full->excluded) {
            $found[] =
                "{$full->excluded} reports are excluded, but the reasons add up to ".
                array_sum($full->excludedByReason).
                '.';
        }
        if (
            $this->duplicatesRemoved() < 0 ||
            $this->duplicatesByMachine() < 0 ||
            $this->notYetCoded() < 0 ||
            $this->toScreen() < 0
        ) {
            $found[] = 'A later step holds more than the one before it.';
        }

        return $found;
    }
}
