<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Named;

/** A thing that papers name, under one name. */
final readonly class NamedThing
{
    /**
     * @param  list<string>  $variants  other ways it is written, as they stand in the texts
     * @param  list<string>  $ids  of the records that name it
     * @param  string  $definition  a sentence that says what it is; empty where none does
     * @param  list<string>  $joined  for each variant why it is taken for the same
     */
    public function __construct(
        public string $name,
        public array $variants,
        public array $ids,
        public string $definition,
        public array $joined,
    ) {
    }
}
