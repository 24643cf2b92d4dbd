<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect\Cql;

/** @internal What stands behind a slash: its name in small letters, and what it is compared with, if anything. */
final readonly class CqlModifier
{
    public function __construct(
        public string $name,
        public string $comparison,
        public string $value,
        public int $column,
    ) {
    }
}
