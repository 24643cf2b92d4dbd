<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

use WaryHeron\Core\Search\Query\Operator;

/** Two or more operands under one operator. For NOT the first is kept and the others are taken away. */
final readonly class Operation implements Node
{
    /** @param  non-empty-list<Node>  $operands */
    public function __construct(public Operator $operator, public array $operands)
    {
    }
}
