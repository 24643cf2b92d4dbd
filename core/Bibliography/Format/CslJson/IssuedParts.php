<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\CslJson;

/** The parts of a date as CSL-JSON writes them, and whether they are approximate. */
final readonly class IssuedParts
{
    /** @param  list<list<int>>  $parts */
    public function __construct(
        public array $parts,
        public bool $areApproximate,
    ) {
    }
}
