<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/** A word, or a label of several, as it is compared or shown, with the bytes of the unchanged text it stands for. */
final readonly class PlacedWord
{
    public function __construct(public string $word, public int $start, public int $end)
    {
    }
}
