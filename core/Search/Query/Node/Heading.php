<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Query\Node;

/** A heading of a thesaurus; $narrower also takes the headings below it, less the branches that $less names. */
final readonly class Heading implements Node
{
    /**
     * @param  list<string>  $qualifiers
     * @param  list<string>  $less  headings whose branches are left out of the narrower ones
     */
    public function __construct(
        public string $label,
        public bool $narrower = false,
        public bool $major = false,
        public array $qualifiers = [],
        public array $less = [],
    ) {
    }
}
