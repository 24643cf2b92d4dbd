<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

enum DisagreementKind: string
{
    case IncludeExclude = 'include-exclude';
    case Unsure = 'unsure';
}
