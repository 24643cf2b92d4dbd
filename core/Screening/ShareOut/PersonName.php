<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\ShareOut;

/** How indexes shorten a name: the family name, folded, and the first initial. */
final readonly class PersonName
{
    public function __construct(public string $family, public string $initial)
    {
    }
}
