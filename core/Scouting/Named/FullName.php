<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Named;

/** A name as a sentence writes it, and the short form in brackets behind it, if there is one. */
final readonly class FullName
{
    public function __construct(public string $name, public string $short)
    {
    }
}
