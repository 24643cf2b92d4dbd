<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

/** Stands where a query breaks off. No printer accepts it. */
final readonly class Missing implements Node
{
}
