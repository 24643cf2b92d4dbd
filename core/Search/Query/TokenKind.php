<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

/** @internal */
enum TokenKind
{
    case Open;
    case Close;
    case Quoted;
    case UnclosedQuoted;
    case Word;
    case Operator;
    case Near;
    case Line;
    case Comma;
    case Colon;
    case Slash;
    case Sign;
    case End;
}
