<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Map;

/** What the cells of a map tell in numbers. */
enum CellFigure: string
{
    case Studies = 'studies';
    case OfRow = 'of-row';
    case OfColumn = 'of-column';
    case OfAll = 'of-all';

    public function label(): string
    {
        return match ($this) {
            self::Studies => 'studies',
            self::OfRow => '% of the row',
            self::OfColumn => '% of the column',
            self::OfAll => '% of all studies',
        };
    }
}
