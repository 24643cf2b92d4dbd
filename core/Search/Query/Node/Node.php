<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

/**
 * A part of a query: what is meant, never how a dialect spells it.
 *
 * @phpstan-sealed Word|Phrase|Near|Fielded|Heading|Limit|LineReference|Operation|Missing
 */
interface Node
{
}
