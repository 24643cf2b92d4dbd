<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** A number of a table's row under the head of its column, with the share in percent beside it and the head's n. */
final readonly class ColumnFigure
{
    public function __construct(public string $head, public float $value, public ?float $share, public ?float $n)
    {
    }
}
