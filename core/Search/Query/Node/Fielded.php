<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

use WaryHeron\Core\Search\Query\Field;

/** Free text to be looked for in the named fields only. */
final readonly class Fielded implements Node
{
    /** @param  non-empty-list<Field>  $fields */
    public function __construct(public array $fields, public Node $inner)
    {
    }
}
