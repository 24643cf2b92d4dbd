<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Distribution;

/** The limits of an interval; both null where it is undefined. */
final readonly class Interval
{
    public function __construct(public ?float $low = null, public ?float $high = null)
    {
    }

    public static function around(float $middle, float $half): self
    {
        return new self($middle - $half, $middle + $half);
    }
}
