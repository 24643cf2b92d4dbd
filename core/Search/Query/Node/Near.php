<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

/** Both sides in either order, at most $distance positions apart; neighbours are 1 apart. */
final readonly class Near implements Node
{
    public const FURTHEST = 20;

    public function __construct(public Node $left, public Node $right, public int $distance)
    {
    }
}
