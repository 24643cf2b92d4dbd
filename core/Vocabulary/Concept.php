<?php

declare(strict_types=1);

namespace WaryHeron\Core\Vocabulary;

/** One heading of a thesaurus, as SKOS describes it. Source: SKOS Reference, W3C Recommendation of 18 August 2009. */
final readonly class Concept
{
    /**
     * @param  list<string>  $alternatives  names it is also known by
     * @param  list<string>  $changeNotes
     * @param  list<string>  $broader  addresses of the concepts right above it
     * @param  list<string>  $related  addresses
     * @param  list<string>  $qualifiers  those that may narrow it
     */
    public function __construct(
        public string $uri,
        public string $label,
        public array $alternatives = [],
        public string $scopeNote = '',
        public string $definition = '',
        public array $changeNotes = [],
        public array $broader = [],
        public array $related = [],
        public array $qualifiers = [],
    ) {
    }
}
