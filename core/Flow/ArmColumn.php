<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** Where an arm of the diagram is drawn. */
final readonly class ArmColumn
{
    public function __construct(public int $x, public int $width)
    {
    }
}
