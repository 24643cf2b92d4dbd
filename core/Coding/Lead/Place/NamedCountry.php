<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead\Place;

/** A country where a text names it, and how many bytes it takes to. */
final readonly class NamedCountry
{
    public function __construct(public string $country, public int $length)
    {
    }
}
