<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

/** Why a heading is offered for a typed word, the strongest reason first. */
enum Why: string
{
    case IsPreferred = 'is its name';
    case IsAlternative = 'is one of its other names';
    case InPreferred = 'is part of its name';
    case InAlternative = 'is part of another of its names';
    case Stem = 'shares a stem with its name';
    case InNote = 'stands in its scope note';
    case Carried = 'is often in the titles of records that carry it';

    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
