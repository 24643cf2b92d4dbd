<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Twice;

/** In what two coders' readings of one result differ, the gravest first. */
enum ResultDifference: string
{
    case Missing = 'missing';
    case Form = 'form';
    case Numbers = 'numbers';
    case Place = 'place';
    case Design = 'design';
    case None = 'none';

    public function label(): string
    {
        return match ($this) {
            self::Missing => 'only one has taken it',
            self::Form => 'the form in which it is reported',
            self::Numbers => 'numbers',
            self::Place => 'time or scale',
            self::Design => 'the design',
            self::None => 'nothing',
        };
    }
}
