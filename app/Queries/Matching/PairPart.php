<?php

declare(strict_types=1);

namespace App\Queries\Matching;

/** What a field of two records speaks for, in bits: above zero for one publication. */
final readonly class PairPart
{
    /** @param  string  $level  how far both agree, in words */
    public function __construct(public string $field, public string $level, public float $bits)
    {
    }
}
