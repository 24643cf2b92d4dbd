<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** A strategy after a change, and what was done in words. */
final readonly class ChangedStrategy
{
    public function __construct(public Strategy $strategy, public string $words)
    {
    }
}
