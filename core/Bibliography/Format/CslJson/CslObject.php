<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

/** The text of an item, and whether it ended; an empty text for an empty list. */
final readonly class CslObject
{
    public function __construct(public string $text, public bool $hasEnded)
    {
    }
}
