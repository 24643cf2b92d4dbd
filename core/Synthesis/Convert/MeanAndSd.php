<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

/** Both null where quantiles tell neither. */
final readonly class MeanAndSd
{
    public function __construct(public ?float $mean = null, public ?float $sd = null)
    {
    }
}
