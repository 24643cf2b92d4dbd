<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

enum DisagreementKind: string
{
    case IncludeExclude = 'include-exclude';
    case Unsure = 'unsure';
    case Reason = 'reason';

    /** The stage was closed before all decisions were in. */
    case Incomplete = 'incomplete';

    public function words(): string
    {
        return match ($this) {
            self::IncludeExclude => 'include or exclude',
            self::Unsure => 'somebody is unsure',
            self::Reason => 'the reason differs',
            self::Incomplete => 'decisions missing',
        };
    }
}
