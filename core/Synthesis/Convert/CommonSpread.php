<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

/** The standard error of a difference, and the SD that both groups have in common; null where undefined. */
final readonly class CommonSpread
{
    public function __construct(public ?float $se = null, public ?float $sd = null)
    {
    }
}
