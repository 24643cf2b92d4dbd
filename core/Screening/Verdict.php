<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening;

enum Verdict: string
{
    case Include = 'include';
    case Exclude = 'exclude';
    case Unsure = 'unsure';
}
