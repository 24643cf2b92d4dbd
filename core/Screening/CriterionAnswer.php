<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

/** What a person answers to a criterion; "no" excludes. */
enum CriterionAnswer: string
{
    case Yes = 'yes';
    case No = 'no';
    case Unclear = 'unclear';
}
