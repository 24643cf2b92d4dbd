<?php

declare(strict_types=1);

namespace App\Queries\Searches\Heading;

/** A heading that goes on from what is being typed. */
final readonly class SuggestedHeading
{
    /**
     * @param  string  $term  as the strategy writes it
     * @param  string  $source  whose thesaurus it is of
     * @param  list<string>  $names  its other names
     */
    public function __construct(
        public string $label,
        public string $term,
        public ?int $own,
        public ?int $exploded,
        public string $source,
        public array $names,
    ) {
    }
}
