<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/** Words of two texts side by side; null where one lacks the word of the other. */
final readonly class AlignedWords
{
    public function __construct(public ?string $mine, public ?string $its)
    {
    }
}
