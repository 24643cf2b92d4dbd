<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Distribution;

/** An estimate with the limits of its interval, on the scale of the analysis. */
final readonly class PointEstimate
{
    public function __construct(public float $estimate, public float $low, public float $high)
    {
    }
}
