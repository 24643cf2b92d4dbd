<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/** A place in a picture, from its upper left corner. */
final readonly class Point
{
    public function __construct(public float $x, public float $y)
    {
    }
}
