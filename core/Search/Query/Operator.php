<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

enum Operator: string
{
    case And = 'and';
    case Or = 'or';
    case Not = 'not';
}
