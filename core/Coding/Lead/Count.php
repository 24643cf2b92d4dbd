<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** A number of things in a sentence, with the bytes that tell it. */
final readonly class Count
{
    /** @param  bool  $person  whether what is counted is said to be people */
    public function __construct(public float $value, public int $at, public int $end, public bool $person)
    {
    }
}
