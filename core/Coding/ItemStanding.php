<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** How far an item of the codebook has come for one study. */
enum ItemStanding: string
{
    case Open = 'open';
    case LeadWaits = 'lead';
    /** An answer without evidence, or evidence without an answer. */
    case Begun = 'begun';
    case Answered = 'answered';
    /** Its condition does not hold, so nobody is asked. */
    case NotAsked = 'not-asked';

    /**
     * @param  bool  $answered  whether there is a value, or the answer that it is not reported or not applicable
     * @param  bool  $shown  whether it has evidence, or is said to be judged from the whole
     */
    public static function of(bool $answered, bool $shown, bool $isValue, bool $hasLead): self
    {
        return match (true) {
            $answered && ($shown || ! $isValue) => self::Answered,
            $answered || $shown => self::Begun,
            $hasLead => self::LeadWaits,
            default => self::Open,
        };
    }
}
