<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

use WaryHeron\Core\Search\Query\Node\Node;
use WaryHeron\Core\Search\Query\Node\Operation;
use WaryHeron\Core\Search\Query\Operator;

/** What a remedy would find that its concept does not find yet. */
final readonly class Gain
{
    private function __construct(private Node $more, private Node $concept)
    {
    }

    /** @param  ?Node  $concept  the whole of it; null where it cannot be written out, so that nothing can be counted */
    public static function of(Node $more, ?Node $concept): ?self
    {
        return $concept === null ? null : new self($more, $concept);
    }

    /** To be counted in each database. */
    public function query(): Node
    {
        return new Operation(Operator::Not, [$this->more, $this->concept]);
    }
}
