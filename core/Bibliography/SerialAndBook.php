<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography;

/** The first number of a serial and the first of a book among several, and what is left over. */
final readonly class SerialAndBook
{
    /** @param  list<SourceField>  $left */
    public function __construct(public string $issn, public string $isbn, public array $left)
    {
    }
}
