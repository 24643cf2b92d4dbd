<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** How sure a lead is. */
enum Confidence: string
{
    case Firm = 'firm';
    case Fair = 'fair';

    /** A person has to look. */
    case Check = 'check';
}
