<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** The current decisions on one item at one stage, at most one a person, and the settlement if there is one. */
final readonly class Ballot
{
    /**
     * @param  array<string, Decision>  $decisions by person
     * @param  list<Decision>  $alsoSaid  what the same people decided on a record that was found later to be the same
     *     publication
     */
    private function __construct(
        private StageRule $rule,
        private array $decisions,
        private ?Decision $settlement,
        private array $alsoSaid = [],
    ) {
    }

    /**
     * @param  iterable<Decision>  $decisions
     * @param  list<Decision>  $alsoSaid  what the same people decided on a record that was found later to be the same
     *     publication
     */
    public static function of(
        StageRule $rule,
        iterable $decisions,
        ?Decision $settlement = null,
        array $alsoSaid = [],
    ): self {
        $byPerson = [];
        foreach ($decisions as $decision) {
            if (isset($byPerson[$decision->person])) {
                throw new \LogicException('A person has one current decision on an item.');
            }
            $byPerson[$decision->person] = $decision;
        }

        return new self($rule, $byPerson, $settlement, $alsoSaid);
    }

    /** @return list<string> those who decided */
    public function people(): array
    {
        return array_map(strval(...), array_keys($this->decisions));
    }

    /**
     * The ballot after a decision, which replaces the person's earlier one.
     *
     * @throws BallotClosed If the item has opened, or has all its decisions from other people.
     */
    public function with(Decision $decision): self
    {
        $this->mustNotBeOpen();

        return new self($this->rule, [...$this->decisions, $decision->person => $decision], null, $this->alsoSaid);
    }

    /** @throws BallotClosed If the item has opened or the person has no decision to take back. */
    public function without(string $person): self
    {
        $this->mustNotBeOpen();
        if (! isset($this->decisions[$person])) {
            throw BallotClosed::nothingToUndo();
        }

        return new self($this->rule, array_diff_key($this->decisions, [$person => true]), null, $this->alsoSaid);
    }

    /**
     * The ballot after somebody who decided has changed their mind in the discussion.
     *
     * @throws BallotClosed If the item has not opened, is settled or no longer in disagreement, or the person has no
     *     decision on it.
     */
    public function rethought(Decision $decision): self
    {
        if (! $this->isComplete()) {
            throw BallotClosed::stillBlinded();
        }
        if ($this->outcome()->state !== ItemState::Disagreement) {
            throw BallotClosed::notInDisagreement();
        }
        if (! isset($this->decisions[$decision->person])) {
            throw BallotClosed::noDecisionToChange();
        }
        // what the same person said of a record that turned out to be this one is answered by this
        $others = array_values(
            array_filter($this->alsoSaid, fn (Decision $one): bool => $one->person !== $decision->person),
        );

        return new self($this->rule, [...$this->decisions, $decision->person => $decision], null, $others);
    }

    /**
     * The ballot ended by a final verdict.
     *
     * @throws BallotClosed If decisions are still missing, or the verdict is no final one.
     */
    public function settledBy(Decision $settlement): self
    {
        if (! $this->isComplete()) {
            throw BallotClosed::stillBlinded();
        }
        if ($settlement->verdict === Verdict::Unsure) {
            throw BallotClosed::unsureSettlesNothing();
        }

        return new self($this->rule, $this->decisions, $settlement, $this->alsoSaid);
    }

    public function isComplete(): bool
    {
        return $this->rule->closed || $this->hasAll();
    }

    private function hasAll(): bool
    {
        return count($this->decisions) >= $this->rule->requiredDecisions;
    }

    public function outcome(): Outcome
    {
        if (! $this->isComplete()) {
            return new Outcome(ItemState::Waiting);
        }
        if ($this->settlement !== null) {
            return $this->settlement->verdict === Verdict::Include
                ? new Outcome(ItemState::Included, settled: true)
                : new Outcome(ItemState::Excluded, $this->settlement->criterion, settled: true);
        }
        if (! $this->hasAll()) {
            return new Outcome(ItemState::Disagreement, kind: DisagreementKind::Incomplete);
        }
        $verdicts = array_unique(
            array_map($this->counted(...), [...array_values($this->decisions), ...$this->alsoSaid]),
            SORT_REGULAR,
        );
        if (in_array(Verdict::Unsure, $verdicts, true)) {
            return new Outcome(ItemState::Disagreement, kind: DisagreementKind::Unsure);
        }
        if (count($verdicts) > 1) {
            return new Outcome(ItemState::Disagreement, kind: DisagreementKind::IncludeExclude);
        }
        if (
            $this->rule->reasonsMustAgree &&
            ! in_array(Verdict::Include, $verdicts, true) &&
            count($this->reasons()) > 1
        ) {
            return new Outcome(ItemState::Disagreement, kind: DisagreementKind::Reason);
        }

        return in_array(Verdict::Include, $verdicts, true)
            ? new Outcome(ItemState::Included)
            : new Outcome(ItemState::Excluded, $this->firstFailedCriterion());
    }

    private function counted(Decision $decision): Verdict
    {
        return $decision->verdict === Verdict::Unsure && $this->rule->unsureCountsAsInclude
            ? Verdict::Include
            : $decision->verdict;
    }

    /** Where the people's reasons differ, the first in the protocol's order is the reason reported. */
    private function firstFailedCriterion(): ?int
    {
        $failed = array_filter($this->reasons(), fn (?int $criterion): bool => $criterion !== null);

        return $failed === [] ? null : min($failed);
    }

    /** @return list<?int> the different reasons given */
    private function reasons(): array
    {
        $reasons = [];
        foreach ([...array_values($this->decisions), ...$this->alsoSaid] as $decision) {
            $reasons[$decision->criterion ?? 'none'] = $decision->criterion;
        }

        return array_values($reasons);
    }

    private function mustNotBeOpen(): void
    {
        if ($this->isComplete()) {
            throw BallotClosed::hasOpened();
        }
    }
}
