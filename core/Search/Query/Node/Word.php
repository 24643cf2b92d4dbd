<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

/** One word as typed; truncated means that any ending may follow. */
final readonly class Word implements Node
{
    public function __construct(public string $text, public bool $truncated = false)
    {
    }
}
