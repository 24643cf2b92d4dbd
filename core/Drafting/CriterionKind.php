<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

/** By what sort of sign a criterion is judged. */
enum CriterionKind: string
{
    case People = 'people';

    /** What is done or met with, or what it is set against. */
    case About = 'about';
    case Outcome = 'outcome';

    /** Where and when, or anything that a person adds. */
    case Named = 'named';
    case OwnFindings = 'own-findings';

    /** Whether it is judged by words that people may change. */
    public function hasWords(): bool
    {
        return $this !== self::OwnFindings;
    }

    /** @return string the question for people, with a blank for its words */
    public function asks(): string
    {
        return match ($this) {
            self::People => 'Did it study “%s”?',
            self::About => 'Is it about “%s”?',
            self::Outcome => 'Does it report on “%s”?',
            self::Named => 'Does it concern “%s”?',
            self::OwnFindings => 'Does it report findings of its own, not a plan, a comment or a review?',
        };
    }

    /** @return string why a paper is left out by it, as flow diagrams count it */
    public function reason(): string
    {
        return match ($this) {
            self::People => 'Other people',
            self::About => 'About something else',
            self::Outcome => 'Other outcome',
            self::Named => 'Does not concern “%s”',
            self::OwnFindings => 'No findings of its own',
        };
    }
}
