<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

/** A stretch of the typed text in characters: columns count from 1, the end is included. */
final readonly class Span
{
    public function __construct(public int $start, public int $end)
    {
    }

    public function describe(): string
    {
        return $this->start === $this->end ? "column {$this->start}" : "columns {$this->start} to {$this->end}";
    }
}
