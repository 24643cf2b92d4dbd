<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** What became of a lead. */
enum LeadRuling: string
{
    case Waiting = 'waiting';

    /** It is the answer as it was proposed. */
    case Accepted = 'accepted';

    /** A person gave another answer. */
    case Corrected = 'corrected';

    case Rejected = 'rejected';
}
