<?php

declare(strict_types=1);

namespace WaryHeron\Core\Text;

/** A run within a text or a row of words, by the places of its first and its last member, both counted from 0. */
final readonly class Span
{
    public function __construct(public int $first, public int $last)
    {
    }
}
