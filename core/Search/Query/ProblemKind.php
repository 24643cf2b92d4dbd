<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

enum ProblemKind: string
{
    case Empty = 'empty';
    case UnclosedQuote = 'unclosed-quote';
    case UnclosedBracket = 'unclosed-bracket';
    case StrayBracket = 'stray-bracket';
    case MissingOperand = 'missing-operand';
    case MissingOperator = 'missing-operator';
    case UnknownField = 'unknown-field';
    case UnknownModifier = 'unknown-modifier';
    case BadDistance = 'bad-distance';
    case BadNear = 'bad-near';
    case BadYear = 'bad-year';
    case BadLine = 'bad-line';
    case ShortStem = 'short-stem';
    case NoWord = 'no-word';
    case Misplaced = 'misplaced';
    case UnexpectedSign = 'unexpected-sign';
    case TooDeep = 'too-deep';
    case TooLong = 'too-long';
}
