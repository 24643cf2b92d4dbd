<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

/** Words that stand side by side in this order; any of them may be truncated. */
final readonly class Phrase implements Node
{
    /** @param  non-empty-list<Word>  $words */
    public function __construct(public array $words)
    {
    }
}
