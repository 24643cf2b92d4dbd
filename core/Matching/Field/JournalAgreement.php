<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** How the names of two journals agree. */
enum JournalAgreement: int
{
    case Unknown = 0;

    /** The same, or its abbreviation. */
    case Same = 1;
    case OneHoldsOther = 2;
    case Different = 3;
}
