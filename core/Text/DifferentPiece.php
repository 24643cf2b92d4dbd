<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/** A piece of a text, with whether the other text lacks it. */
final readonly class DifferentPiece
{
    public function __construct(public string $text, public bool $differs)
    {
    }
}
