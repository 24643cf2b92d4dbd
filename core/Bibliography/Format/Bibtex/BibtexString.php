<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format\Bibtex;

/** A string that a file defines, for its entries to use. */
final readonly class BibtexString
{
    public function __construct(public string $name, public string $value)
    {
    }
}
