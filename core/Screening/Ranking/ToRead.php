<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

/** An item at its place in a reading order. */
final readonly class ToRead
{
    public function __construct(public string $id, public bool $isDrawn)
    {
    }
}
