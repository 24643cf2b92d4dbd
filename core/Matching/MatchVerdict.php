<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** What follows from a comparison. */
enum MatchVerdict: string
{
    /** One publication, joined without asking. */
    case Certain = 'certain';

    /** Probably one publication; a person is asked. */
    case Likely = 'likely';

    /** Perhaps one publication; a person is asked. */
    case Doubtful = 'doubtful';

    case Apart = 'apart';

    public function asks(): bool
    {
        return $this === self::Likely || $this === self::Doubtful;
    }
}
