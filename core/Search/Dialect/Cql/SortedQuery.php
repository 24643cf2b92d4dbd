<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Cql;

use WaryHeron\Core\Search\Query\Node\Node;

/** A query with the order in which what it finds is wanted. */
final readonly class SortedQuery
{
    /** @param  list<SortKey>  $order  the first decides, each further one where those before are alike */
    public function __construct(public Node $query, public array $order)
    {
    }
}
