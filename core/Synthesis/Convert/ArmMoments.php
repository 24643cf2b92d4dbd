<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Convert;

/** People, mean and standard deviation of an arm; null is what is not known. */
final readonly class ArmMoments
{
    public function __construct(public ?float $n = null, public ?float $mean = null, public ?float $sd = null)
    {
    }
}
