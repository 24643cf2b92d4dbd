<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

/** Where the effect of a further study is to be expected; all null where that cannot be said. */
final readonly class Prediction
{
    public function __construct(public ?float $low = null, public ?float $high = null, public ?int $df = null)
    {
    }
}
