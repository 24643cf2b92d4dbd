<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

/** Where the outcome that a question names goes with what it asks about. */
enum Direction: string
{
    case More = 'more';
    case Less = 'less';
    case NoDifference = 'no difference';
    case Mixed = 'mixed';
    case Unclear = 'unclear';

    public static function ofSign(int $sign): self
    {
        return $sign > 0 ? self::More : self::Less;
    }
}
