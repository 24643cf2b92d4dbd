<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Cql;

use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\Node\Node;

/** @internal What stands on one side of a distance, and the fields it is to stand in. */
final readonly class ProximitySide
{
    /** @param  list<Field>  $fields  empty for the usual ones */
    public function __construct(public array $fields, public Node $text)
    {
    }

    public function isInSame(self $other): bool
    {
        return $this->fields === $other->fields;
    }
}
