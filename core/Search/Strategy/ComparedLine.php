<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Strategy;

/** A line in two states of a strategy; null where the one or the other lacks it. */
final readonly class ComparedLine
{
    /** @param  'same'|'changed'|'added'|'removed'  $how */
    public function __construct(public string $how, public ?StrategyLine $before, public ?StrategyLine $after)
    {
    }

    public function line(): ?StrategyLine
    {
        return $this->after ?? $this->before;
    }
}
