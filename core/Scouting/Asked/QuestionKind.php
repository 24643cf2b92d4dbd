<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** What sort of answer a question wants. */
enum QuestionKind: string
{
    case Effect = 'effect';
    case Comparison = 'comparison';
    case Prevalence = 'prevalence';
    case Instrument = 'instrument';
    case Meaning = 'meaning';
    case Prognosis = 'prognosis';

    /** Whether its answers go one way or another. */
    public function hasDirection(): bool
    {
        return in_array($this, [self::Effect, self::Comparison, self::Prognosis], true);
    }

    public function label(): string
    {
        return match ($this) {
            self::Effect => 'an effect',
            self::Comparison => 'a comparison',
            self::Prevalence => 'how common something is',
            self::Instrument => 'how something is measured',
            self::Meaning => 'what something is like',
            self::Prognosis => 'what foretells something',
        };
    }
}
