<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** How two lists of authors agree. */
enum AuthorAgreement: int
{
    case Unknown = 0;
    case Same = 1;

    /** One person is listed in both, and more in one of them. */
    case FirstSame = 2;
    case SomeSame = 3;
    case NoneSame = 4;
}
