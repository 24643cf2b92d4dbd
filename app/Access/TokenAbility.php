<?php

declare(strict_types=1);

namespace App\Access;

/** What a program may do by a token; never more than the person whose token it is. */
enum TokenAbility: string
{
    case Read = 'read';
    case Deliver = 'deliver';
    case Decide = 'decide';
    case Code = 'code';

    public function label(): string
    {
        return match ($this) {
            self::Read => 'read what I may read',
            self::Deliver => 'deliver records',
            self::Decide => 'decide on items in my name',
            self::Code => 'answer items of the codebook in my name',
        };
    }
}
