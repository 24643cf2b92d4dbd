<?php

declare(strict_types=1);

namespace WaryHeron\Core\Flow;

/** A source with the number of records that it brought. */
final readonly class NamedSource
{
    public function __construct(public SourceKind $kind, public string $name, public int $n)
    {
    }
}
