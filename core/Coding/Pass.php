<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** When an item is asked: of all studies, or later of a subset of them. */
enum Pass: string
{
    case Mapping = 'mapping';
    case InDepth = 'in-depth';

    public function label(): string
    {
        return match ($this) {
            self::Mapping => 'Mapping',
            self::InDepth => 'In depth',
        };
    }
}
