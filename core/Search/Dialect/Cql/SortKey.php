<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Cql;

/** An index by which what is found is to be sorted, and the column of the query that says so. */
final readonly class SortKey
{
    public function __construct(public string $index, public bool $ascending, public int $column)
    {
    }
}
