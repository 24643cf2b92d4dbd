<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

/** A heading of a thesaurus; $narrower also takes the headings below it. */
final readonly class Heading implements Node
{
    /** @param  list<string>  $qualifiers */
    public function __construct(
        public string $label,
        public bool $narrower = false,
        public bool $major = false,
        public array $qualifiers = [],
    ) {
    }
}
