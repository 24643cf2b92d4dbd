<?php

declare(strict_types=1);

namespace WaryHeron\Core\Report\Compare;

enum Fate: int
{
    case Kept = 0;
    case Added = 1;
    case Removed = 2;
}
