<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Ris;

/** A line of a file; without a tag where it goes on with the one before. */
final readonly class RisLine
{
    public function __construct(public ?string $tag, public string $value)
    {
    }
}
