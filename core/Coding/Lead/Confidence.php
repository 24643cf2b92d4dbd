<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** How sure a lead is. */
enum Confidence: string
{
    case Firm = 'firm';
    case Fair = 'fair';

    /** A person has to look. */
    case Check = 'check';

    /** Of several leads together. */
    public static function least(self $first, self ...$others): self
    {
        $order = array_flip(array_column(self::cases(), 'value'));

        return array_reduce(
            $others,
            fn (self $least, self $one): self => $order[$one->value] > $order[$least->value] ? $one : $least,
            $first,
        );
    }
}
