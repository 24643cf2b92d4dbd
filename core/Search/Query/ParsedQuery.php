<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query;

use WaryHeron\Core\Search\Query\Node\Node;

/** The tree that was understood, and everything that was not. */
final readonly class ParsedQuery
{
    /** @param  list<Problem>  $problems in the order of their columns */
    public function __construct(public string $text, public Node $root, public array $problems)
    {
    }

    public function isComplete(): bool
    {
        return $this->problems === [];
    }
}
