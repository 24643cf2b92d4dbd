<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

enum LimitKind: string
{
    case Year = 'year';
    case Language = 'language';
    case Type = 'type';
    case Age = 'age';
    case Species = 'species';
}
